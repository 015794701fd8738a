import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { Entry, SharedEntry } from '@/core/entries/entry';
import { audienceOf } from '@/core/entries/entry';
import { tombstonesOf } from '@/core/entries/tombstonesOf';
import type { CourseId, EntryId, PersonId } from '@/core/ids';
import { groupBy } from '@/core/groupBy';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { StampScope } from '../history/stamps';
import type { Rows } from '../rows';
import type { EntryParts } from './entryRows';
import { insertTombstones } from './tombstones';
import { audienceRows, extensionRows, fromEntry, linkRows, toEntry } from './entryRows';

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
  const under = <T extends { entry_id: string }>(parts: readonly T[]) => groupBy(parts, (p) => p.entry_id);
  const [audienceOfId, linksOf, extensionsOf, repliesOf] = [
    under(audiences),
    under(links),
    under(extensions),
    under(replies),
  ];
  return rows.map((row) =>
    toEntry(row, {
      audiences: audienceOfId.get(row.id) ?? [],
      links: linksOf.get(row.id) ?? [],
      extensions: extensionsOf.get(row.id) ?? [],
      replies: repliesOf.get(row.id) ?? [],
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

const nowOf = ({ nowMs }: Change) => Temporal.Instant.fromEpochMilliseconds(nowMs);

const scopesOf = (entry: Entry): StampScope[] =>
  entry.kind === 'note'
    ? [`person:${entry.author}`]
    : [
        ...audienceOf(entry).map((part): StampScope => `course:${part.course}`),
        ...(entry.kind === 'assignment' ? entry.extensions.map((e): StampScope => `person:${e.person}`) : []),
      ];

export async function insertEntries(change: Change, entries: readonly Entry[]): Promise<void> {
  await change.insert('entries', entries.map(fromEntry));
  const shared = entries.filter((entry): entry is SharedEntry => entry.kind !== 'note');
  await change.insert(
    'entry_audiences',
    shared.flatMap((entry) => audienceRows(entry, randomUUID)),
  );
  await change.insert(
    'links',
    shared.flatMap((entry) => linkRows(entry, randomUUID)),
  );
  await change.insert(
    'extensions',
    shared.flatMap((entry) => extensionRows(entry, randomUUID)),
  );
  change.concerns(...entries.flatMap(scopesOf));
}

/** Writes an entry over what was there; what hangs on it is replaced only where it differs. */
export async function replaceEntry(change: Change, before: Entry, after: Entry): Promise<void> {
  await change.update('entries', after.id, fromEntry(after));
  if (before.kind !== 'note' && after.kind !== 'note') {
    await replaceParts(change, 'entry_audiences', audienceRows, before, after);
    await replaceParts(change, 'links', linkRows, before, after);
    await replaceParts(change, 'extensions', extensionRows, before, after);
  }
  await insertTombstones(change, tombstonesOf(before, after, nowOf(change)));
  change.concerns(...scopesOf(before), ...scopesOf(after));
}

export async function removeEntry(change: Change, entry: Entry): Promise<void> {
  for (const table of ['links', 'entry_audiences', 'extensions', 'replies'] as const)
    await removeParts(change, table, entry.id);
  await change.remove('entries', entry.id);
  await insertTombstones(change, tombstonesOf(entry, undefined, nowOf(change)));
  change.concerns(...scopesOf(entry));
}

type Parts = 'entry_audiences' | 'links' | 'extensions' | 'replies';

async function replaceParts<T extends Exclude<Parts, 'replies'>>(
  change: Change,
  table: T,
  rowsOf: (entry: SharedEntry, newId: () => string) => Rows[T][],
  before: SharedEntry,
  after: SharedEntry,
): Promise<void> {
  const same = (entry: SharedEntry) => JSON.stringify(rowsOf(entry, () => ''));
  if (same(before) === same(after)) return;
  await removeParts(change, table, before.id);
  await change.insert(table, rowsOf(after, randomUUID));
}

async function removeParts(change: Change, table: Parts, entry: string): Promise<void> {
  const rows = await select<{ id: string }>(change, `SELECT id FROM ${table} WHERE entry_id = :entry`, {
    entry,
  });
  for (const row of rows) await change.remove(table, row.id);
}
