import type { Entry } from '@/core/entries/entry';
import type { CourseId, EntryId, PersonId } from '@/core/ids';
import { groupBy } from '@/core/groupBy';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Rows } from '../rows';
import type { EntryParts } from './entryRows';
import { toEntry } from './entryRows';
import { startsIn } from './ownStarts';

/** Entries whose id the sub-select `ids` finds, each whole, even where its audience reaches into other courses. */
async function load(reader: Reader, ids: string, replacements: Record<string, unknown>): Promise<Entry[]> {
  const of = <T extends object>(table: string, order = '') =>
    select<T>(reader, `SELECT * FROM ${table} WHERE entry_id IN (${ids}) ${order}`, replacements);
  const named = <T extends object>(table: string) =>
    select<T>(
      reader,
      `SELECT ${table}.*, people.name AS person_name FROM ${table} JOIN people ON people.id = ${table}.person_id
       WHERE entry_id IN (${ids}) ORDER BY people.name, people.id`,
      replacements,
    );
  const [rows, audiences, links, extensions, replies] = await Promise.all([
    select<Rows['entries']>(
      reader,
      `SELECT * FROM entries WHERE id IN (${ids}) ORDER BY start_at, id`,
      replacements,
    ),
    of<Rows['entry_audiences']>('entry_audiences', 'ORDER BY course_id'),
    of<Rows['links']>('links'),
    named<EntryParts['extensions'][number]>('extensions'),
    named<EntryParts['replies'][number]>('replies'),
  ]);
  // Who has begun, where anything goes by that.
  const starts = rows.some(({ pacing }) => pacing !== null)
    ? await startsIn(
        reader,
        audiences.map(({ course_id }) => course_id as CourseId),
      )
    : [];
  const under = <T extends { entry_id: string }>(parts: readonly T[]) => groupBy(parts, (p) => p.entry_id);
  const [audienceOfId, linksOf, extensionsOf, repliesOf] = [
    under(audiences),
    under(links),
    under(extensions),
    under(replies),
  ];
  const startsOf = groupBy(starts, ({ course }) => course);
  const startsFor = (parts: readonly Rows['entry_audiences'][]) =>
    parts.flatMap(({ course_id }) => startsOf.get(course_id as CourseId) ?? []);
  return rows.map((row) =>
    toEntry(row, {
      audiences: audienceOfId.get(row.id) ?? [],
      links: linksOf.get(row.id) ?? [],
      extensions: extensionsOf.get(row.id) ?? [],
      replies: repliesOf.get(row.id) ?? [],
      starts: row.pacing === null ? [] : startsFor(audienceOfId.get(row.id) ?? []),
    }),
  );
}

export const entriesOf = (reader: Reader, courses: readonly CourseId[]): Promise<Entry[]> =>
  courses.length === 0
    ? Promise.resolve([])
    : load(reader, 'SELECT entry_id FROM entry_audiences WHERE course_id IN (:courses)', { courses });

/** The private notes of one person. */
export const notesOf = (reader: Reader, author: PersonId): Promise<Entry[]> =>
  load(reader, 'SELECT id FROM entries WHERE author_id = :author', { author });

export const entryById = async (reader: Reader, id: EntryId): Promise<Entry | undefined> =>
  (await load(reader, ':id', { id }))[0];

/** Every UID that an entry has. */
export const uidsOf = async (reader: Reader): Promise<Set<string>> =>
  new Set((await select<{ uid: string }>(reader, 'SELECT uid FROM entries')).map(({ uid }) => uid));
