import { Temporal } from 'temporal-polyfill';
import { audienceSeenBy } from '@/core/entries/audience';
import { sameDates } from '@/core/entries/classDates';
import { derived, followsClasses } from '@/core/entries/derive';
import type { Entry, Extension, SharedEntry } from '@/core/entries/entry';
import { audienceOf } from '@/core/entries/entry';
import type { EntryFacts, Stamps } from '@/core/entries/facts';
import { tombstonesOf } from '@/core/entries/tombstonesOf';
import { entryHappened, extendsOtherwise } from '@/core/events/entryHappened';
import type { CourseId, EntryId } from '@/core/ids';
import type { Course } from '@/core/plan/plan';
import { closedOccurrences } from '@/core/series/closedOccurrences';
import { isDay, laterBy, momentText } from '@/core/time/zonedWall';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { select } from '../database';
import { stateOfEntry } from '../events/events';
import type { Change } from '../history/change';
import { grown, momentOf } from '../history/grown';
import { replaceParts } from '../history/parts';
import type { StampScope } from '../history/stamps';
import { arrangementsFor } from '../people/arrangements';
import { viewerOf } from '../people/people';
import { loadFrame } from '../plan/loadPlan';
import { entriesOf } from './entries';
import { audienceRows, extensionRows, fromEntry, linkRows } from './entryRows';
import { insertTombstones } from './tombstones';

/**
 * The one way to the rows of an entry: what follows from its facts is derived here, sequence and dates of change grow here,
 * and feeds get their tombstones. Who may, and whether the facts are right, is asked before (`server/entries/saveEntry`).
 */

/** The courses that the dates of an entry hang on; none where they follow no class. */
async function coursesFor(
  change: Change,
  facts: EntryFacts,
  known?: readonly Course[],
): Promise<readonly Course[]> {
  if (facts.kind === 'note' || !followsClasses(facts)) return [];
  if (known) return known;
  const ids = facts.audience.map((part) => part.course);
  return (await loadFrame(change, ids)).courses;
}

/** Facts with the dates that follow from what was arranged for all work of a course; what somebody was given singly goes before. */
async function withArranged(change: Change, facts: EntryFacts): Promise<EntryFacts> {
  if (facts.kind !== 'assignment') return facts;
  const own = facts.extensions.filter(({ arranged }) => !arranged);
  const arranged = await arrangementsFor(change, facts.audience.map((part) => part.course)); // prettier-ignore
  if (arranged.size === 0) return own.length === facts.extensions.length ? facts : { ...facts, extensions: own };
  const given = new Set(own.map(({ person }) => person));
  const more: Extension[] = [];
  for (const [person, days] of arranged) {
    if (given.has(person)) continue;
    const seen = audienceSeenBy(await viewerOf(change, person, momentOf(change)), facts.audience);
    if (seen && !seen.asStaff) more.push({ person, name: '', due: laterBy(facts.due, days), arranged: true });
  }
  return { ...facts, extensions: [...own, ...more] };
} // prettier-ignore

/** Facts with all that hangs on what is arranged and on classes, derived. */
async function settled(change: Change, given: EntryFacts, stamps: Stamps, known?: readonly Course[]): Promise<Entry> {
  const courses = await coursesFor(change, given, known);
  const dated = derived(given, courses, stamps);
  return withoutClosed(change, derived(await withArranged(change, dated), courses, stamps));
} // prettier-ignore

/** A series that leaves out days without classes, as these stand. */
async function withoutClosed(change: Change, entry: Entry): Promise<Entry> {
  if (entry.kind !== 'event' || !entry.recurrence?.closed) return entry;
  const { closures } = await loadFrame(change, entry.audience.map((part) => part.course)); // prettier-ignore
  return { ...entry, recurrence: { ...entry.recurrence, closed: closedOccurrences(entry, closures) } };
}

/** An entry as it would be saved. */
export const asSaved = async (change: Change, facts: EntryFacts, before?: Entry): Promise<Entry> =>
  settled(change, facts, before ?? grown(change));

/** Whose an entry is: its courses; of a note, its author alone. */
const readersOf = (entry: Entry): StampScope[] =>
  entry.kind === 'note'
    ? [`person:${entry.author}`]
    : audienceOf(entry).map((part): StampScope => `course:${part.course}`);

const scopesOf = (entry: Entry): StampScope[] => [...readersOf(entry), ...personsOf(entry)];

/** Adds entries, as many as there are, in one go. */
export async function addEntries(
  change: Change,
  given: readonly EntryFacts[],
  {
    courses,
    sequences,
  }: Readonly<{ courses?: readonly Course[]; sequences?: ReadonlyMap<EntryId, number> }> = {},
): Promise<Entry[]> {
  const entries: Entry[] = [];
  for (const facts of given)
    entries.push(
      await settled(change, facts, { ...grown(change), sequence: sequences?.get(facts.id) ?? 0 }, courses),
    );
  await change.insert('entries', entries.map(fromEntry));
  const shared = entries.filter((entry): entry is SharedEntry => entry.kind !== 'note');
  await change.insert('entry_audiences', shared.flatMap(audienceRows));
  await change.insert('links', shared.flatMap(linkRows));
  await change.insert('extensions', shared.flatMap(extensionRows));
  change.concerns(...entries.flatMap(scopesOf));
  for (const entry of entries) sayWhatHappened(change, undefined, entry);
  return entries;
}

/** Writes an entry over what was there; what hangs on it is replaced only where it differs. */
export async function changeEntryRows(change: Change, before: Entry, facts: EntryFacts): Promise<Entry> {
  const after = await settled(change, facts, grown(change, before));
  await change.update('entries', after.id, fromEntry(after));
  if (before.kind !== 'note' && after.kind !== 'note') {
    await replaceParts(change, 'entry_audiences', 'entry_id', after.id, audienceRows(after));
    await replaceParts(change, 'links', 'entry_id', after.id, linkRows(after));
    await replaceParts(change, 'extensions', 'entry_id', after.id, extensionRows(after));
  }
  change.concerns(...scopesOf(before), ...scopesOf(after));
  await leaveTraces(change, before, after);
  return after;
}

export async function removeEntry(change: Change, entry: Entry): Promise<void> {
  for (const table of ['links', 'entry_audiences', 'extensions', 'replies'] as const)
    await removeParts(change, table, entry.id);
  await change.remove('entries', entry.id);
  change.concerns(...scopesOf(entry));
  await leaveTraces(change, entry, undefined);
}

/** What a change of an entry leaves, however it came about: tombstones in feeds, and events. */
export async function leaveTraces(change: Change, before: Entry | undefined, after: Entry | undefined): Promise<void> {
  if (before) await insertTombstones(change, tombstonesOf(before, after, momentOf(change)));
  sayWhatHappened(change, before, after);
} // prettier-ignore

function sayWhatHappened(change: Change, before: Entry | undefined, after: Entry | undefined): void {
  const happened = entryHappened(before, after, momentOf(change));
  const states = {
    before: before ? stateOfEntry(before) : null,
    after: after ? stateOfEntry(after) : null,
  };
  const subject = (after ?? before)!.id;
  const scopes = [before, after].flatMap((entry) => (entry ? readersOf(entry) : []));
  // Nobody but the student and the staff learns of a date of one's own: whose it is, no course.
  const extended = before && after && extendsOtherwise(before, after);
  if (extended)
    change.tell({ type: 'dueExtended', subject, scopes: [before, after].flatMap(personsOf), payload: { entry: states } }); // prettier-ignore
  const { type, fields } = happened;
  if (!extended || type !== 'entryChanged' || fields.length > 0)
    change.tell({ type, subject, scopes, payload: { entry: states, fields: [...fields] } });
}

const personsOf = (entry: Entry): StampScope[] =>
  entry.kind === 'assignment' ? entry.extensions.map((e): StampScope => `person:${e.person}`) : [];

type Parts = 'entry_audiences' | 'links' | 'extensions' | 'replies';

async function removeParts(change: Change, table: Parts, entry: string): Promise<void> {
  const rows = await select<{ id: string }>(change, `SELECT id FROM ${table} WHERE entry_id = :entry`, {
    entry,
  });
  for (const row of rows) await change.remove(table, row.id);
}

/** After classes or closed days changed: work of these courses whose dates follow them is dated anew, series that leave closed days out with it. */
export async function followClasses(change: Change, courses: readonly CourseId[]): Promise<void> {
  for (const entry of await entriesOf(change, courses)) {
    if (entry.kind === 'event' ? !entry.recurrence?.closed : entry.kind !== 'assignment' || !entry.atClass)
      continue;
    const dated = await asSaved(change, entry, entry);
    const same =
      dated.kind === 'assignment' && entry.kind === 'assignment'
        ? sameDates(entry, dated)
        : sameClosed(entry, dated);
    if (!same) await changeEntryRows(change, entry, entry);
  }
}

const closedOf = (entry: Entry) =>
  entry.kind === 'event' ? entry.recurrence?.closed?.map(momentText).join() : undefined;
const sameClosed = (a: Entry, b: Entry) => closedOf(a) === closedOf(b);

/** After something was arranged: work of a course that is due from now on gets its dates by it. */
export async function followArrangements(change: Change, course: CourseId): Promise<number> {
  let changed = 0;
  for (const entry of await entriesOf(change, [course])) {
    if (entry.kind !== 'assignment') continue;
    const zone = requireZone(entry.tzid);
    const ends = isDay(entry.due) ? entry.due.add({ days: 1 }).toPlainDateTime() : entry.due.wall;
    const over = Temporal.Instant.compare(toInstant(zone, ends), momentOf(change)) <= 0;
    const after = over ? entry : await asSaved(change, entry, entry);
    if (!extendsOtherwise(entry, after)) continue;
    await changeEntryRows(change, entry, entry);
    changed++;
  }
  return changed;
}
