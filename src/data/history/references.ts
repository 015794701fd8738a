import type { Reader } from '../reader';
import { select } from '../database';
import type { Rows, Table } from '../rows';

type Reference = readonly [table: string, column: string];

/** Rows of these go with the row they hang on without anybody losing anything: links to sign in by, marks of the process, what was written and sent. */
export const INCIDENTAL: ReadonlySet<string> = new Set(['sessions', 'invitations', 'mail_links', 'shown', 'looked', 'reminded', 'gathered_lines', 'questions', 'question_readers', 'question_reports', 'answers', 'asking', 'guardians', 'guardian_reads', 'minors', 'sheet_uses', 'second_steps', 'school_accounts', 'devices', 'notices', 'messages', 'tokens', 'answered', 'followed', 'webhooks', 'roster_absences', 'lti_accounts', 'lti_absences', 'lti_contexts', 'lti_placings']); // prettier-ignore

/** By table: what hangs on its rows and would go with them (`ON DELETE CASCADE`). `references.test.ts` holds it to the database. */
export const CASCADES: Readonly<Partial<Record<Table, readonly Reference[]>>> = {
  calendars: [['calendar_courses', 'calendar_id']],
  class_plans: [['plan_bindings', 'plan_id']],
  course_groups: [['group_members', 'group_id']],
  courses: [
    ['arrangements', 'course_id'], ['asking', 'course_id'], ['calendar_courses', 'course_id'], ['class_plans', 'course_id'], ['closures', 'course_id'], ['corrections', 'course_id'],
    ['course_groups', 'course_id'], ['departures', 'course_id'], ['entry_audiences', 'course_id'], ['join_requests', 'course_id'], ['lti_contexts', 'course_id'],
    ['materials', 'course_id'], ['messages', 'course_id'], ['offered_places', 'course_id'], ['own_starts', 'course_id'], ['questions', 'course_id'], ['roster', 'course_id'], ['roster_absences', 'course_id'], ['sections', 'course_id'],
    ['sheet_audiences', 'course_id'], ['staff', 'course_id'], ['themes', 'course_id'], ['tombstones', 'course_id'],
  ],
  entries: [
    ['done_marks', 'entry_id'], ['entry_audiences', 'entry_id'], ['extensions', 'entry_id'], ['links', 'entry_id'],
    ['replies', 'entry_id'],
  ],
  people: [
    ['answered', 'person_id'], ['arrangements', 'person_id'], ['bookings', 'person_id'], ['corrections', 'person_id'], ['departures', 'person_id'], ['devices', 'person_id'], ['done_marks', 'person_id'],
    ['entries', 'author_id'], ['extensions', 'person_id'], ['followed', 'person_id'], ['gathered_lines', 'person_id'], ['group_members', 'person_id'], ['guardians', 'child_id'], ['hosts', 'person_id'],
    ['invitations', 'person_id'], ['looked', 'person_id'], ['lti_absences', 'person_id'], ['lti_accounts', 'person_id'], ['lti_placings', 'person_id'], ['mail_links', 'person_id'], ['minors', 'person_id'], ['offered_places', 'person_id'],
    ['outlets', 'owner_id'], ['own_starts', 'person_id'], ['person_settings', 'id'], ['question_readers', 'person_id'], ['question_reports', 'person_id'], ['questions', 'author_id'], ['reminded', 'person_id'], ['replies', 'person_id'], ['roster', 'person_id'], ['roster_absences', 'person_id'],
    ['school_accounts', 'person_id'], ['second_steps', 'person_id'], ['sessions', 'person_id'], ['shown', 'person_id'],
    ['staff', 'person_id'], ['tokens', 'owner_id'], ['waiting', 'person_id'],
  ],
  sections: [['extra_classes', 'section_id'], ['meetings', 'section_id'], ['offered_places', 'section_id'], ['patterns', 'section_id'], ['plan_bindings', 'section_id']],
  sheets: [['hosts', 'sheet_id'], ['sheet_audiences', 'sheet_id'], ['sheet_uses', 'sheet_id'], ['slots', 'sheet_id']],
  slots: [['bookings', 'slot_id'], ['waiting', 'slot_id']],
  terms: [['calendars', 'term_id'], ['closures', 'term_id'], ['site_dates', 'term_id']],
}; // prettier-ignore

/** Something that hangs on a row which is to go: of which table, and how many rows. */
export type InTheWay = Readonly<{ table: string; rows: number }>;

/** What has come to hang on a row, rows apart that go in the same act (`going`, as `table id`). */
export async function hangingOn(
  reader: Reader,
  { table, id }: Readonly<{ table: Table; id: string }>,
  going: ReadonlySet<string>,
): Promise<InTheWay[]> {
  const found: InTheWay[] = [];
  for (const [other, column] of CASCADES[table] ?? []) {
    if (INCIDENTAL.has(other)) continue;
    const rows = await select<{ id: string }>(reader, `SELECT id FROM ${other} WHERE ${column} = :id`, {
      id,
    });
    const staying = rows.filter((row) => !going.has(`${other} ${row.id}`));
    if (staying.length > 0) found.push({ table: other, rows: staying.length });
  }
  return table === 'roster' ? [...found, ...(await hangingOnPlace(reader, id, going))] : found;
}

/** What somebody on a roster has there: it hangs on no foreign key, and would be left without its owner. */
async function hangingOnPlace(reader: Reader, id: string, going: ReadonlySet<string>): Promise<InTheWay[]> {
  const [place] = await select<Rows['roster']>(reader, 'SELECT * FROM roster WHERE id = :id', { id });
  if (!place) return [];
  const { course_id: course, person_id: person } = place;
  const inCourse = (table: 'entry' | 'sheet') =>
    `SELECT ${table}_id FROM ${table}_audiences WHERE course_id = :course`;
  const queries: readonly (readonly [table: string, where: string])[] = [
    ['bookings', `slot_id IN (SELECT id FROM slots WHERE sheet_id IN (${inCourse('sheet')}))`],
    ['waiting', `slot_id IN (SELECT id FROM slots WHERE sheet_id IN (${inCourse('sheet')}))`],
    ['group_members', 'group_id IN (SELECT id FROM course_groups WHERE course_id = :course)'],
    ['extensions', `entry_id IN (${inCourse('entry')})`],
    ['replies', `entry_id IN (${inCourse('entry')})`],
  ]; // prettier-ignore
  const found: InTheWay[] = [];
  for (const [table, where] of queries) {
    const rows = await select<{ id: string }>(reader, `SELECT id FROM ${table} WHERE person_id = :person AND ${where}`, { person, course }); // prettier-ignore
    const staying = rows.filter((row) => !going.has(`${table} ${row.id}`));
    if (staying.length > 0) found.push({ table, rows: staying.length });
  }
  return found;
}
