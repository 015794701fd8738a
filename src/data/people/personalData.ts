import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { RowChange } from '../history/change';
import { refTo } from '../history/personRefs';
import type { StampScope } from '../history/stamps';
import { bumpStamps } from '../history/stamps';
import type { Person } from './people';

type Row = Readonly<Record<string, unknown>>;
export type PersonalData = Readonly<Record<string, readonly Row[]>>;

const OF_ENTRY = 'JOIN entries ON entries.id =';
const OF_SLOT = 'JOIN slots ON slots.id = slot_id JOIN sheets ON sheets.id = slots.sheet_id';

/**
 * What is held about a person, by table. `server/people/personalData.test.ts` finds each column that names somebody in a school full of data,
 * and fails where its table is not here.
 */
export const HELD: Readonly<Record<string, string>> = {
  people: `SELECT id, email, name, is_admin, sourced_id, created_at, came_at, deactivated_at FROM people WHERE id = :id`,
  staff: `SELECT courses.code, staff.role, staff.from_date, staff.until_date FROM staff JOIN courses ON courses.id = staff.course_id
          WHERE person_id = :id`,
  roster: `SELECT courses.code, courses.title, sections.name AS section, roster.listed_name FROM roster
           JOIN courses ON courses.id = roster.course_id LEFT JOIN sections ON sections.id = roster.section_id WHERE person_id = :id`,
  group_members: `SELECT course_groups.name FROM group_members JOIN course_groups ON course_groups.id = group_members.group_id
                  WHERE person_id = :id`,
  bookings: `SELECT sheets.title, slots.start_local, bookings.note, bookings.answer, bookings.came, bookings.meeting_link,
               bookings.created_at FROM bookings ${OF_SLOT} WHERE person_id = :id`,
  waiting: `SELECT sheets.title, slots.start_local, waiting.created_at FROM waiting ${OF_SLOT} WHERE person_id = :id`,
  hosts: 'SELECT sheets.title FROM hosts JOIN sheets ON sheets.id = hosts.sheet_id WHERE person_id = :id',
  slots:
    'SELECT sheets.title, slots.start_local FROM slots JOIN sheets ON sheets.id = slots.sheet_id WHERE host_id = :id',
  replies: `SELECT entries.title, entries.start_local, replies.answer FROM replies ${OF_ENTRY} entry_id WHERE person_id = :id`,
  extensions: `SELECT entries.title, extensions.due_local FROM extensions ${OF_ENTRY} entry_id WHERE person_id = :id`,
  done_marks: `SELECT entries.title, done_marks.done_at FROM done_marks ${OF_ENTRY} entry_id WHERE person_id = :id`,
  tokens: 'SELECT name, scopes, created_at, last_used_at FROM tokens WHERE owner_id = :id',
  answered: 'SELECT at FROM answered WHERE person_id = :id',
  followed: 'SELECT at FROM followed WHERE person_id = :id',
  roster_absences: 'SELECT course_id, since FROM roster_absences WHERE person_id = :id',
  webhooks:
    'SELECT url, lists, created_at FROM webhooks WHERE token_id IN (SELECT id FROM tokens WHERE owner_id = :id)',
  own_starts: `SELECT courses.code, own_starts.starts_on, own_starts.shared, own_starts.said_at FROM own_starts
               JOIN courses ON courses.id = own_starts.course_id WHERE person_id = :id`,
  shown: `SELECT entries.title, shown.first_at, shown.at FROM shown LEFT JOIN entries ON entries.id = entry_id WHERE person_id = :id`,
  entries: `SELECT kind, title, description, start_local, created_at FROM entries WHERE author_id = :id`,
  entry_audiences: `SELECT entries.title FROM entry_audiences ${OF_ENTRY} entry_id WHERE entry_audiences.people LIKE '%"' || :id || '"%'`,
  sheet_audiences: `SELECT sheets.title FROM sheet_audiences JOIN sheets ON sheets.id = sheet_id
                    WHERE sheet_audiences.people LIKE '%"' || :id || '"%'`,
  tombstones: `SELECT uid, gone_at FROM tombstones WHERE people LIKE '%"' || :id || '"%'`,
  person_settings: 'SELECT settings FROM person_settings WHERE id = :id',
  reminded: 'SELECT what, sent_at FROM reminded WHERE person_id = :id',
  gathered_lines: 'SELECT sort, line, at FROM gathered_lines WHERE person_id = :id ORDER BY at',
  looked: 'SELECT looked_at, told_at FROM looked WHERE person_id = :id',
  files: 'SELECT name, size, created_at FROM files WHERE owner_id = :id',
  outlets: 'SELECT kind, audience, name FROM outlets WHERE owner_id = :id',
  calendars: 'SELECT name, url, created_at FROM calendars WHERE owner_id = :id',
  dismissals: 'SELECT finding, reason, created_at FROM dismissals WHERE person_id = :id',
  corrections: `SELECT courses.code, corrections.name, corrections.email, corrections.created_at FROM corrections
                JOIN courses ON courses.id = course_id WHERE person_id = :id OR asked_by = :id`,
  offered_places: `SELECT courses.code, offered_places.created_at FROM offered_places JOIN courses ON courses.id = course_id
                   WHERE person_id = :id`,
  departures:
    'SELECT courses.code FROM departures JOIN courses ON courses.id = course_id WHERE person_id = :id',
  school_accounts: 'SELECT issuer, subject, linked_at FROM school_accounts WHERE person_id = :id',
  lti_accounts: 'SELECT issuer, subject, role, linked_at FROM lti_accounts WHERE person_id = :id',
  lti_absences:
    'SELECT lti_contexts.title, since FROM lti_absences JOIN lti_contexts ON lti_contexts.id = context_id WHERE person_id = :id',
  lti_placings: 'SELECT until FROM lti_placings WHERE person_id = :id',
  lti_contexts: 'SELECT title, linked_at FROM lti_contexts WHERE linked_by = :id',
  second_steps: 'SELECT confirmed_at FROM second_steps WHERE person_id = :id',
  devices: 'SELECT kind, created_at FROM devices WHERE person_id = :id',
  sessions: 'SELECT created_at, seen_at, shared, by_school FROM sessions WHERE person_id = :id',
  invitations: 'SELECT expires_at FROM invitations WHERE person_id = :id',
  mail_links: 'SELECT expires_at FROM mail_links WHERE person_id = :id',
  outbox: `SELECT subject, body, state, created_at FROM outbox
           WHERE recipient = (SELECT email FROM people WHERE id = :id) OR sender_id = :id OR about_id = :id`,
  join_requests:
    'SELECT name, email, expires_at FROM join_requests WHERE email = (SELECT email FROM people WHERE id = :id)',
  office_log: 'SELECT at, act, detail FROM office_log WHERE person_id = :id OR actor_id = :id ORDER BY at',
  arrangements: `SELECT courses.code, arrangements.days FROM arrangements JOIN courses ON courses.id = course_id WHERE person_id = :id`,
  events: `SELECT at, type FROM events WHERE actor_id = :id OR payload LIKE '%' || :id || '%' ORDER BY id`,
  event_scopes: `SELECT events.at, events.type FROM event_scopes JOIN events ON events.id = event_id WHERE scope = 'person:' || :id`,
  messages: 'SELECT subject, body, told, at FROM messages WHERE author_id = :id ORDER BY at',
  questions: 'SELECT body, everybody, named, at FROM questions WHERE author_id = :id ORDER BY at',
  answers: 'SELECT body, at FROM answers WHERE author_id = :id ORDER BY at',
  question_reports: 'SELECT reason, at FROM question_reports WHERE person_id = :id ORDER BY at',
  question_readers: `SELECT courses.code, questions.at FROM question_readers JOIN questions ON questions.id = question_id
                     JOIN courses ON courses.id = questions.course_id WHERE person_id = :id`,
  guardians: `SELECT name, shows, created_at, ended_at, email FROM guardians WHERE child_id = :id ORDER BY created_at`,
  minors: 'SELECT 1 AS minor FROM minors WHERE person_id = :id',
  tellings: 'SELECT at, told FROM tellings WHERE actor_id = :id ORDER BY at',
  history: 'SELECT at, act, summary FROM history WHERE actor_id = :id ORDER BY at',
};

export async function personalData(reader: Reader, id: PersonId): Promise<PersonalData | undefined> {
  const data: Record<string, Row[]> = {};
  for (const [table, sql] of Object.entries(HELD)) data[table] = await select<Row>(reader, sql, { id });
  return data.people?.length === 1 ? data : undefined;
}

const AUDIENCES = ['entry_audiences', 'sheet_audiences', 'tombstones'] as const;

/** Takes somebody out of the lists of those whom something is for; a list without anybody is for nobody. */
async function leaveAudiences(writer: Writer, person: string): Promise<void> {
  for (const table of AUDIENCES) {
    const rows = await select<{ id: string; people: string }>(
      writer,
      `SELECT id, people FROM ${table} WHERE people LIKE :named`,
      { named: `%"${person}"%` },
    );
    for (const { id, people } of rows)
      await run(writer, `UPDATE ${table} SET people = :people WHERE id = :id`, {
        id,
        people: JSON.stringify((JSON.parse(people) as string[]).filter((one) => one !== person)),
      });
  }
}

/** Takes what concerns somebody out of the history: rows that name them by id, and the reference in what is said. */
async function leaveHistory(writer: Writer, person: string, nowMs: number): Promise<void> {
  const rows = await select<{ id: string; summary: string; scopes: string; changes: string }>(
    writer,
    'SELECT id, summary, scopes, changes FROM history WHERE changes LIKE :id OR scopes LIKE :id OR summary LIKE :id',
    { id: `%${person}%` },
  );
  for (const row of rows) {
    const changes = (JSON.parse(row.changes) as RowChange[]).filter((change) => !JSON.stringify(change).includes(person)); // prettier-ignore
    const scopes = (JSON.parse(row.scopes) as string[]).filter((scope) => !scope.includes(person));
    await run(
      writer,
      'UPDATE history SET summary = :summary, scopes = :scopes, changes = :changes, undone_at = COALESCE(undone_at, :nowMs) WHERE id = :id',
      {
        id: row.id,
        // An act that lost a part of itself can no longer be taken back.
        nowMs,
        summary: row.summary.replaceAll(refTo(person), 'somebody'),
        scopes: JSON.stringify(scopes),
        changes: JSON.stringify(changes),
      },
    );
  }
}

/** Takes somebody out of the events: what concerned them alone goes, what names them is told without them. */
async function leaveEvents(writer: Writer, person: string): Promise<void> {
  const scope = `person:${person}`;
  const shared = 'SELECT event_id FROM event_scopes WHERE scope <> :scope';
  await run(writer, `DELETE FROM events WHERE id IN (SELECT event_id FROM event_scopes WHERE scope = :scope) AND id NOT IN (${shared})`, { scope }); // prettier-ignore
  await run(writer, 'DELETE FROM event_scopes WHERE scope = :scope', { scope });
  await run(writer, 'UPDATE events SET actor_id = NULL WHERE actor_id = :person', { person });
  await run(writer, 'UPDATE tellings SET actor_id = NULL WHERE actor_id = :person', { person });
  const rows = await select<{ id: number; payload: string }>(
    writer,
    'SELECT id, payload FROM events WHERE payload LIKE :named',
    { named: `%${person}%` },
  );
  for (const { id, payload } of rows)
    await run(writer, 'UPDATE events SET payload = :payload WHERE id = :id', { id, payload: withoutPerson(payload, person) }); // prettier-ignore
}

/** A payload without the extended dates of somebody, and without their id in any audience. */
function withoutPerson(payload: string, person: string): string {
  const drop = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.filter((each) => (each as Row | null)?.person_id !== person).map(drop);
    if (value && typeof value === 'object')
      return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, drop(each)]));
    return typeof value === 'string' ? value.replaceAll(person, '') : value;
  };
  return JSON.stringify(drop(JSON.parse(payload)));
} // prettier-ignore

/**
 * Deletes an account; what hangs on it goes by foreign key. In the history the rows that name the person by id go: by identity,
 * never by spelling. The office's log keeps the id, which leads to nobody then.
 */
export async function erasePerson(
  writer: Writer,
  person: Pick<Person, 'id' | 'email'>,
  nowMs: number,
): Promise<void> {
  const courses = await select<{ course_id: string }>(
    writer,
    'SELECT course_id FROM roster WHERE person_id = :id UNION SELECT course_id FROM staff WHERE person_id = :id',
    { id: person.id },
  );
  await run(
    writer,
    'DELETE FROM outbox WHERE recipient = :email OR sender_id = :id OR about_id = :id',
    person,
  );
  await run(writer, 'DELETE FROM join_requests WHERE email = :email', person);
  await run(writer, 'UPDATE slots SET host_id = NULL WHERE host_id = :id', person);
  await leaveAudiences(writer, person.id);
  await run(writer, 'DELETE FROM people WHERE id = :id', person);
  await leaveHistory(writer, person.id, nowMs);
  await leaveEvents(writer, person.id);
  await run(writer, `DELETE FROM stamps WHERE scope = 'person:' || :id`, person);
  await bumpStamps(
    writer,
    courses.map((row): StampScope => `course:${row.course_id}`),
    nowMs,
  );
}
