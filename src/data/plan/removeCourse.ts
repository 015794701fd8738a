import type { CourseId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Table } from '../rows';

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

const SECTIONS = 'SELECT id FROM sections WHERE course_id = :id';
const GROUPS = 'SELECT id FROM course_groups WHERE course_id = :id';
const SLOTS = `SELECT id FROM slots WHERE sheet_id IN (${SHEETS})`;

/** Rows that hang on a course, those that hang on others first: undo brings them back in reverse. */
const ORDER: readonly (readonly [Table, string])[] = [
  ['waiting', `slot_id IN (${SLOTS})`],
  ['bookings', `slot_id IN (${SLOTS})`],
  ['slots', `sheet_id IN (${SHEETS})`],
  ['hosts', `sheet_id IN (${SHEETS})`],
  ['links', `entry_id IN (${ENTRIES})`],
  ['extensions', `entry_id IN (${ENTRIES})`],
  ['replies', `entry_id IN (${ENTRIES})`],
  ['plan_bindings', 'plan_id IN (SELECT id FROM class_plans WHERE course_id = :id)'],
  ['class_plans', 'course_id = :id'],
  ['materials', 'course_id = :id'],
];

/** Takes a course away row by row, so that the act can be undone. */
export async function removeCourse(change: Change, id: CourseId): Promise<void> {
  // Named before their audiences go, by which they are found.
  const ids = async (sql: string) => (await select<{ id: string }>(change, sql, { id })).map((row) => row.id);
  const entries = await ids(`SELECT id FROM entries WHERE id IN (${ENTRIES})`);
  const sheets = await ids(`SELECT id FROM sheets WHERE id IN (${SHEETS})`);
  const removeWhere = async (table: Table, where: string) => {
    for (const row of await ids(`SELECT id FROM ${table} WHERE ${where}`)) await change.remove(table, row);
  };
  for (const [table, where] of ORDER) await removeWhere(table, where);
  await removeWhere('entry_audiences', 'course_id = :id');
  await removeWhere('sheet_audiences', 'course_id = :id');
  for (const entry of entries) await change.remove('entries', entry);
  for (const sheet of sheets) await change.remove('sheets', sheet);
  await removeWhere('group_members', `group_id IN (${GROUPS})`);
  await removeWhere('course_groups', 'course_id = :id');
  await removeWhere('meetings', `section_id IN (${SECTIONS})`);
  await removeWhere('patterns', `section_id IN (${SECTIONS})`);
  for (const table of [
    'roster',
    'sections',
    'staff',
    'themes',
    'closures',
    'calendar_courses',
    'tombstones',
  ] as const)
    await removeWhere(table, 'course_id = :id');
  await change.remove('courses', id);
}
