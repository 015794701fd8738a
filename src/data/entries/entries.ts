import { randomUUID } from 'node:crypto';
import type { Entry } from '@/core/entries/entry';
import type { CourseId, EntryId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';
import { audienceRows, fromEntry, linkRows, toEntry } from './entryRows';

const IN_COURSES = 'SELECT entry_id FROM entry_audiences WHERE course_id IN (:courses)';

/** All entries of the courses, each with its whole audience, even where that reaches into other courses. */
export async function entriesOf(reader: Reader, courses: readonly CourseId[]): Promise<Entry[]> {
  if (courses.length === 0) return [];
  const [rows, audiences, links] = await Promise.all([
    select<Rows['entries']>(
      reader,
      `SELECT * FROM entries WHERE id IN (${IN_COURSES}) ORDER BY start_at, id`,
      { courses },
    ),
    select<Rows['entry_audiences']>(
      reader,
      `SELECT * FROM entry_audiences WHERE entry_id IN (${IN_COURSES}) ORDER BY course_id`,
      { courses },
    ),
    select<Rows['links']>(reader, `SELECT * FROM links WHERE entry_id IN (${IN_COURSES})`, { courses }),
  ]);
  return assemble(rows, audiences, links);
}

export async function entryById(reader: Reader, id: EntryId): Promise<Entry | undefined> {
  const [rows, audiences, links] = await Promise.all([
    select<Rows['entries']>(reader, 'SELECT * FROM entries WHERE id = :id', { id }),
    select<Rows['entry_audiences']>(
      reader,
      'SELECT * FROM entry_audiences WHERE entry_id = :id ORDER BY course_id',
      { id },
    ),
    select<Rows['links']>(reader, 'SELECT * FROM links WHERE entry_id = :id', { id }),
  ]);
  return assemble(rows, audiences, links)[0];
}

function assemble(
  rows: readonly Rows['entries'][],
  audiences: readonly Rows['entry_audiences'][],
  links: readonly Rows['links'][],
): Entry[] {
  const under = <T extends { entry_id: string }>(parts: readonly T[]) => {
    const map = new Map<string, T[]>();
    for (const part of parts) {
      const list = map.get(part.entry_id);
      if (list) list.push(part);
      else map.set(part.entry_id, [part]);
    }
    return map;
  };
  const audienceOf = under(audiences);
  const linksOf = under(links);
  return rows.map((row) =>
    toEntry(row, { audiences: audienceOf.get(row.id) ?? [], links: linksOf.get(row.id) ?? [] }),
  );
}

const scopesOf = (entry: Entry) => entry.audience.map((part) => `course:${part.course}` as const);

export async function insertEntries(change: Change, entries: readonly Entry[]): Promise<void> {
  await change.insert('entries', entries.map(fromEntry));
  await change.insert(
    'entry_audiences',
    entries.flatMap((entry) => audienceRows(entry, randomUUID)),
  );
  await change.insert(
    'links',
    entries.flatMap((entry) => linkRows(entry, randomUUID)),
  );
  change.concerns(...entries.flatMap(scopesOf));
}

/** Writes an entry over what was there; audience and links are replaced only where they differ. */
export async function replaceEntry(change: Change, before: Entry, after: Entry): Promise<void> {
  await change.update('entries', after.id, fromEntry(after));
  if (JSON.stringify(before.audience) !== JSON.stringify(after.audience)) {
    await removeParts(change, 'entry_audiences', before.id);
    await change.insert('entry_audiences', audienceRows(after, randomUUID));
  }
  if (JSON.stringify(before.links) !== JSON.stringify(after.links)) {
    await removeParts(change, 'links', before.id);
    await change.insert('links', linkRows(after, randomUUID));
  }
  change.concerns(...scopesOf(before), ...scopesOf(after));
}

export async function removeEntry(change: Change, entry: Entry): Promise<void> {
  await removeParts(change, 'links', entry.id);
  await removeParts(change, 'entry_audiences', entry.id);
  await change.remove('entries', entry.id);
  change.concerns(...scopesOf(entry));
}

async function removeParts(change: Change, table: 'entry_audiences' | 'links', entry: string): Promise<void> {
  const rows = await select<{ id: string }>(change, `SELECT id FROM ${table} WHERE entry_id = :entry`, {
    entry,
  });
  for (const row of rows) await change.remove(table, row.id);
}
