import type { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

type Ended = Readonly<{ id: CourseId; code: string }>;

/** Courses in use whose term ended before a day, but for those that somebody has brought back. */
export const coursesThatEnded = (reader: Reader, before: Temporal.PlainDate): Promise<Ended[]> =>
  select(
    reader,
    `SELECT courses.id, courses.code FROM courses JOIN terms ON terms.id = courses.term_id
     WHERE archived_at IS NULL AND reopened = 0 AND terms.ends_on < :before`,
    { before: before.toString() },
  );

export const coursesArchivedBefore = (reader: Reader, beforeMs: number): Promise<Ended[]> =>
  select(reader, 'SELECT id, code FROM courses WHERE archived_at < :beforeMs', { beforeMs });
