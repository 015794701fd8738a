import { Temporal } from 'temporal-polyfill';
import type { Guardian, GuardianShows } from '@/core/guardians/guardian';
import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

type Row = Readonly<{
  id: string;
  child_id: PersonId;
  name: string;
  generation: number;
  issued_by: PersonId | null;
  by_office: number;
  as_adult: number;
  shows: string;
  created_at: number;
  ended_at: number | null;
  barred: string | null;
  email: string;
  email_confirmed: number;
  locale: string;
  tzid: string;
}>;

const toGuardian = (row: Row): Guardian => ({
  id: row.id,
  child: row.child_id,
  name: row.name,
  generation: row.generation,
  issuedBy: row.issued_by,
  byOffice: row.by_office === 1,
  asAdult: row.as_adult === 1,
  shows: JSON.parse(row.shows) as GuardianShows[],
  created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
  ended: row.ended_at !== null,
  ...(row.barred === null ? {} : { barred: row.barred }),
  email: row.email,
  emailConfirmed: row.email_confirmed === 1,
  locale: row.locale,
  tzid: row.tzid,
});

const find = async (reader: Reader, where: string, values: Record<string, unknown>): Promise<Guardian[]> =>
  (await select<Row>(reader, `SELECT * FROM guardians WHERE ${where} ORDER BY created_at, id`, values)).map(toGuardian); // prettier-ignore

export const guardianByHash = async (reader: Reader, hash: string): Promise<Guardian | undefined> =>
  (await find(reader, 'token_hash = :hash', { hash }))[0];

export const guardianById = async (reader: Reader, id: string): Promise<Guardian | undefined> =>
  (await find(reader, 'id = :id', { id }))[0];

/** All addresses of a child, those that have ended as well. */
export const guardiansOf = (reader: Reader, child: PersonId): Promise<Guardian[]> =>
  find(reader, 'child_id = :child', { child });

export const allGuardians = (reader: Reader): Promise<Guardian[]> => find(reader, '1 = 1', {});

/** Addresses whose week goes out by letter. */
export const withLetters = (reader: Reader): Promise<Guardian[]> =>
  find(reader, `ended_at IS NULL AND email <> '' AND email_confirmed = 1`, {});

type NewGuardian = Pick<Guardian, 'id' | 'child' | 'name' | 'issuedBy' | 'byOffice' | 'asAdult' | 'shows'> &
  Readonly<{ hash: string; atMs: number }>;

export const insertGuardian = (writer: Writer, { id, child, name, issuedBy, byOffice, asAdult, shows, hash, atMs }: NewGuardian): Promise<unknown> =>
  run(
    writer,
    `INSERT INTO guardians (id, child_id, name, token_hash, generation, issued_by, by_office, as_adult, shows, created_at, enrolled_at)
     VALUES (:id, :child, :name, :hash, 0, :issuedBy, :byOffice, :asAdult, :shows, :atMs, :atMs)`,
    { id, child, name, hash, issuedBy, byOffice: byOffice ? 1 : 0, asAdult: asAdult ? 1 : 0, shows: JSON.stringify(shows), atMs },
  ); // prettier-ignore

/** Ends an address for good: where it stood says so from now on, and its letters stop. */
export const endGuardian = (
  writer: Writer,
  id: string,
  { atMs, barred }: Readonly<{ atMs: number; barred?: string }>,
): Promise<unknown> =>
  run(writer, `UPDATE guardians SET ended_at = COALESCE(ended_at, :atMs), barred = COALESCE(:barred, barred), email_confirmed = 0 WHERE id = :id`, { id, atMs, barred: barred ?? null }); // prettier-ignore

export const replaceGuardian = (
  writer: Writer,
  id: string,
  { generation, hash }: Readonly<{ generation: number; hash: string }>,
): Promise<unknown> =>
  run(writer, 'UPDATE guardians SET generation = :generation, token_hash = :hash WHERE id = :id', { id, generation, hash }); // prettier-ignore

export const agreeAsAdult = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'UPDATE guardians SET as_adult = 1 WHERE id = :id', { id });

export const writeLetterWish = (
  writer: Writer,
  id: string,
  wish: Readonly<{ email: string; locale: string; tzid: string }>,
): Promise<unknown> =>
  run(writer, 'UPDATE guardians SET email = :email, email_confirmed = 0, locale = :locale, tzid = :tzid WHERE id = :id', { id, ...wish }); // prettier-ignore

export const confirmLetters = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'UPDATE guardians SET email_confirmed = 1 WHERE id = :id', { id });

const HOUR = 3_600_000;

/** Notes that an address was read in an hour: when, and by what; not from where. */
export const noteGuardianRead = (writer: Writer, id: string, what: 'page' | 'feed', nowMs: number): Promise<unknown> =>
  run(writer, 'INSERT INTO guardian_reads (guardian_id, what, hour) VALUES (:id, :what, :hour) ON CONFLICT DO NOTHING', { id, what, hour: Math.floor(nowMs / HOUR) * HOUR }); // prettier-ignore

/** When some addresses were read, the last first. */
export const guardianReads = (reader: Reader, ids: readonly string[]): Promise<Readonly<{ guardian: string; what: 'page' | 'feed'; hour: number }>[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : select(reader, 'SELECT guardian_id AS guardian, what, hour FROM guardian_reads WHERE guardian_id IN (:ids) ORDER BY hour DESC, what', { ids }); // prettier-ignore

/**
 * By night: notes whose child is on a roster whose term has not ended, ends addresses whose child has been on none for so long, and
 * forgets when addresses were read.
 */
export async function tidyGuardians(writer: Writer, { nowMs, today, endMs, readMs }: Readonly<{ nowMs: number; today: string; endMs: number; readMs: number }>): Promise<void> {
  await run(
    writer,
    `UPDATE guardians SET enrolled_at = :nowMs WHERE child_id IN
       (SELECT person_id FROM roster JOIN courses ON courses.id = roster.course_id JOIN terms ON terms.id = courses.term_id WHERE terms.ends_on >= :today)`,
    { nowMs, today },
  );
  await run(writer, 'UPDATE guardians SET ended_at = :nowMs, email_confirmed = 0 WHERE ended_at IS NULL AND enrolled_at < :before', { nowMs, before: nowMs - endMs });
  await run(writer, 'DELETE FROM guardian_reads WHERE hour < :before', { before: nowMs - readMs });
} // prettier-ignore

/** Whether somebody has the mark of a minor, where a school has both. */
export const isMarkedMinor = async (reader: Reader, person: PersonId): Promise<boolean> =>
  (await select(reader, 'SELECT person_id FROM minors WHERE person_id = :person', { person })).length > 0;

export const markMinor = (writer: Writer, person: PersonId, minor: boolean): Promise<unknown> =>
  minor
    ? run(writer, 'INSERT INTO minors (person_id) VALUES (:person) ON CONFLICT DO NOTHING', { person })
    : run(writer, 'DELETE FROM minors WHERE person_id = :person', { person });
