import type { CourseId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { removeWhole } from '../history/removeWhole';

/** What goes with a course. */
export type CourseContents = Readonly<{
  entries: number;
  sheets: number;
  bookings: number;
  students: number;
}>;

const ALONE = (of: 'entry' | 'sheet') => {
  const table = of === 'entry' ? 'entry_audiences' : 'sheet_audiences';
  return `SELECT ${of}_id FROM ${table} GROUP BY ${of}_id HAVING COUNT(*) = 1 AND MAX(course_id) = :id`;
};
const ENTRIES = ALONE('entry');
const SHEETS = ALONE('sheet');
const ENTRIES_ALONE = `SELECT id FROM entries WHERE id IN (${ENTRIES})`;
const SHEETS_ALONE = `SELECT id FROM sheets WHERE id IN (${SHEETS})`;

export async function contentsOf(reader: Reader, id: CourseId): Promise<CourseContents> {
  const count = async (sql: string) =>
    (await select<{ n: number }>(reader, `SELECT COUNT(*) AS n FROM ${sql}`, { id }))[0]?.n ?? 0;
  return {
    entries: await count(`entries WHERE id IN (${ENTRIES})`),
    sheets: await count(`sheets WHERE id IN (${SHEETS})`),
    bookings: await count(`bookings WHERE slot_id IN (SELECT id FROM slots WHERE sheet_id IN (${SHEETS}))`),
    students: await count('roster WHERE course_id = :id'),
  };
}

/** Takes a course away with all that is in it alone, row by row, so that the act can be undone. */
export async function removeCourse(change: Change, id: CourseId): Promise<void> {
  // Named before their audiences go, by which they are found.
  const ids = async (sql: string) => (await select<{ id: string }>(change, sql, { id })).map((row) => row.id);
  const entries = await ids(ENTRIES_ALONE);
  const sheets = await ids(SHEETS_ALONE);
  for (const entry of entries) await removeWhole(change, 'entries', entry);
  for (const sheet of sheets) await removeWhole(change, 'sheets', sheet);
  await removeWhole(change, 'courses', id);
}
