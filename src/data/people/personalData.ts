import type { PersonId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { RowChange } from '../history/change';
import type { StampScope } from '../history/stamps';
import { bumpStamps } from '../history/stamps';
import type { Writer } from '../writeQueue';
import type { Person } from './people';

type Row = Readonly<Record<string, unknown>>;
export type PersonalData = Readonly<Record<string, readonly Row[]>>;

/** What is held about a person, by table: the queries of the export, and what erasing goes by. */
const HELD: Readonly<Record<string, string>> = {
  person: 'SELECT id, email, name, is_admin, created_at FROM people WHERE id = :id',
  staff:
    'SELECT courses.code, staff.role FROM staff JOIN courses ON courses.id = staff.course_id WHERE person_id = :id',
  courses: `SELECT courses.code, courses.title, sections.name AS section FROM roster JOIN courses ON courses.id = roster.course_id
            LEFT JOIN sections ON sections.id = roster.section_id WHERE person_id = :id`,
  groups: `SELECT course_groups.name FROM group_members JOIN course_groups ON course_groups.id = group_members.group_id
           WHERE person_id = :id`,
  times: `SELECT sheets.title, slots.start_local, bookings.note, bookings.answer, bookings.came, bookings.created_at FROM bookings
          JOIN slots ON slots.id = bookings.slot_id JOIN sheets ON sheets.id = slots.sheet_id WHERE person_id = :id`,
  waiting: `SELECT sheets.title, slots.start_local, waiting.created_at FROM waiting
            JOIN slots ON slots.id = waiting.slot_id JOIN sheets ON sheets.id = slots.sheet_id WHERE person_id = :id`,
  files: 'SELECT name, size, created_at FROM files WHERE owner_id = :id',
  outlets: 'SELECT kind, audience, name FROM outlets WHERE owner_id = :id',
  sessions: 'SELECT created_at, seen_at FROM sessions WHERE person_id = :id',
  letters:
    'SELECT subject, body, state, created_at FROM outbox WHERE recipient = (SELECT email FROM people WHERE id = :id)',
  acts: 'SELECT at, summary FROM history WHERE actor_id = :id ORDER BY at',
};

export async function personalData(reader: Reader, id: PersonId): Promise<PersonalData | undefined> {
  const data: Record<string, Row[]> = {};
  for (const [name, sql] of Object.entries(HELD)) data[name] = await select<Row>(reader, sql, { id });
  return data.person?.length === 1 ? data : undefined;
}

/** Whether a row of the history is about a person, by id or address anywhere in it. */
const isAbout = (row: RowChange, { id, email }: Person): boolean => {
  const text = JSON.stringify(row).toLowerCase();
  return text.includes(id) || text.includes(email);
};

/**
 * Deletes the account; what hangs on it goes by foreign key. In the history the rows about the person go, and so does
 * the name wherever a summary says it.
 */
export async function erasePerson(writer: Writer, person: Person, nowMs: number): Promise<void> {
  const { sequelize, transaction } = writer;
  const run = (sql: string, replacements: Record<string, unknown>) =>
    sequelize.query(sql, { replacements, transaction });
  const courses = await select<{ course_id: string }>(
    writer,
    'SELECT course_id FROM roster WHERE person_id = :id UNION SELECT course_id FROM staff WHERE person_id = :id',
    { id: person.id },
  );
  await run('DELETE FROM outbox WHERE recipient = :email OR sender_id = :id', person);
  await run('DELETE FROM people WHERE id = :id', person);
  const rows = await select<{ id: string; summary: string; scopes: string; changes: string }>(
    writer,
    `SELECT id, summary, scopes, changes FROM history
     WHERE changes LIKE :id OR changes LIKE :email OR scopes LIKE :id OR summary LIKE :name`,
    { id: `%${person.id}%`, email: `%${person.email}%`, name: `%${person.name}%` },
  );
  for (const row of rows) {
    const changes = (JSON.parse(row.changes) as RowChange[]).filter((change) => !isAbout(change, person));
    const scopes = (JSON.parse(row.scopes) as string[]).filter((scope) => !scope.includes(person.id));
    await run(
      'UPDATE history SET summary = :summary, scopes = :scopes, changes = :changes, undone_at = COALESCE(undone_at, :nowMs) WHERE id = :id',
      {
        id: row.id,
        // An act that lost a part of itself can no longer be taken back.
        nowMs,
        summary: row.summary.replaceAll(person.name, 'somebody'),
        scopes: JSON.stringify(scopes),
        changes: JSON.stringify(changes),
      },
    );
  }
  await run('DELETE FROM stamps WHERE scope = :scope', { scope: `person:${person.id}` });
  await bumpStamps(
    writer,
    courses.map((row): StampScope => `course:${row.course_id}`),
    nowMs,
  );
}
