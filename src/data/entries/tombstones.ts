import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { Tombstone } from '@/core/entries/tombstone';
import { TOMBSTONE_DAYS } from '@/core/entries/tombstone';
import type { CourseId } from '@/core/ids';
import { momentFrom, momentText, isDay } from '@/core/time/zonedWall';
import { fromAudience, toAudience } from '../audiences';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

/** Leaves tombstones in the courses that are there: a course that goes with its entries has no feed to tell. */
export async function insertTombstones(change: Change, list: readonly Tombstone[]): Promise<void> {
  if (list.length === 0) return;
  const rows = await select<{ id: string }>(change, 'SELECT id FROM courses WHERE id IN (:courses)', {
    courses: [...new Set(list.map(({ part }) => part.course))],
  });
  const there = new Set(rows.map(({ id }) => id));
  await change.insert(
    'tombstones',
    list
      .filter(({ part }) => there.has(part.course))
      .map(({ uid, part, start, sequence, goneAt, title }) => ({
        id: randomUUID(),
        uid,
        ...fromAudience(part),
        start_local: momentText(start),
        tzid: isDay(start) ? '' : start.tzid,
        sequence,
        gone_at: goneAt.epochMilliseconds,
        title,
      })),
  );
}

export async function tombstonesIn(reader: Reader, courses: readonly CourseId[]): Promise<Tombstone[]> {
  if (courses.length === 0) return [];
  const rows = await select<Rows['tombstones']>(
    reader,
    'SELECT * FROM tombstones WHERE course_id IN (:courses) ORDER BY gone_at DESC, uid',
    { courses },
  );
  return rows.map((row) => ({
    uid: row.uid,
    part: toAudience(row),
    start: momentFrom(row.start_local, row.tzid),
    sequence: row.sequence,
    title: row.title,
    goneAt: Temporal.Instant.fromEpochMilliseconds(row.gone_at),
  }));
}

/** Those that no feed holds any more. */
export async function forgetTombstones(writer: Writer, nowMs: number): Promise<void> {
  await run(writer, 'DELETE FROM tombstones WHERE gone_at < :before', {
    before: nowMs - TOMBSTONE_DAYS * 86_400_000,
  });
}
