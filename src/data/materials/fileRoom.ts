import type { CourseId, FileId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import { contains } from '../dialect';

/** What a course's materials, entries, classes and sheets lead to. */
const ofCourse = (reader: Reader) => `id IN (SELECT file_id FROM materials WHERE course_id = :course)
  OR id IN (SELECT file_id FROM links WHERE entry_id IN (SELECT entry_id FROM entry_audiences WHERE course_id = :course))
  OR EXISTS (SELECT 1 FROM class_plans WHERE course_id = :course AND ${contains(reader, 'class_plans.links', 'files.id')})
  OR EXISTS (SELECT 1 FROM sheets JOIN sheet_audiences ON sheet_audiences.sheet_id = sheets.id
             WHERE course_id = :course AND ${contains(reader, 'sheets.rules', 'files.id')})`;

const sum = async (reader: Reader, where: string, replacements: Record<string, unknown>): Promise<number> => {
  const [row] = await select<{ bytes: number | null }>(
    reader,
    `SELECT SUM(size) AS bytes FROM (SELECT DISTINCT hash, size FROM files WHERE ${where}) AS kept`,
    replacements,
  );
  return Number(row?.bytes ?? 0);
};

/** The bytes of the files that a course leads to, the same bytes counted once; `more` are files that it would lead to. */
export const courseBytes = (
  reader: Reader,
  course: CourseId,
  more: readonly FileId[] = [],
): Promise<number> =>
  sum(reader, `${ofCourse(reader)} OR id IN (:more)`, { course, more: more.length > 0 ? [...more] : [''] });

/** The bytes of all files, the same bytes counted once. */
export const schoolBytes = (reader: Reader): Promise<number> => sum(reader, '1 = 1', {});

export const megabytes = (bytes: number): number => Math.ceil(bytes / 1_000_000);

export const megabytesUsed = async (reader: Reader): Promise<number> => megabytes(await schoolBytes(reader));
