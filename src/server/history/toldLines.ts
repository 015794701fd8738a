import { momentOfClass } from '@/core/events/momentOfClass';
import type { SharedEntry } from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import type { SeenEntry } from '@/core/entries/seenBy';
import { seenBy } from '@/core/entries/seenBy';
import type { ChangedField } from '@/core/events/event';
import { TOLD_TYPES } from '@/core/events/event';
import { changedFields } from '@/core/events/entryHappened';
import type { EntryId, PersonId, SectionId } from '@/core/ids';
import { listed } from '@/core/texts/entries';
import { isNear } from '@/core/mail/letters';
import { mailTexts } from '@/core/texts/mail';
import { trustTexts } from '@/core/texts/trust';
import { dateLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import type { Moment } from '@/core/time/zonedWall';
import { dayOf, momentText } from '@/core/time/zonedWall';
import type { Reader } from '@/data/reader';
import { entryById } from '@/data/entries/entries';
import { shownAsItWas } from '@/data/entries/shown';
import type { StoredEvent } from '@/data/events/events';
import { entryOfState } from '@/data/events/events';
import { codeOfSection, studentsOfSections } from '@/data/plan/frameStore';
import type { ToldLine } from '../mail/asOneWishes';
import type { Pembit } from '../pembit';
import { keptPerson } from '../people/keptPeople';
import type { Reading } from '../students/reading';
import { allReadings, momentFor } from '../students/reading';

/** Facts of an entry by which a reader does or waits otherwise; the rest is no news. */
const QUIET: ReadonlySet<ChangedField> = new Set(['audience', 'shown', 'hidden', 'kind']);
/** What an event does not keep and only its own list of fields tells. */
const KEPT_NOWHERE: ReadonlySet<ChangedField> = new Set(['text', 'links']);

/** The fields that differ for one reader between two states; what events do not keep is told by their own list. */
export function fieldsSeen(event: StoredEvent, was: SharedEntry, now: SharedEntry): ChangedField[] {
  const seen = changedFields(was, now).filter((field) => !KEPT_NOWHERE.has(field));
  const said = event.payload.fields?.filter((field) => KEPT_NOWHERE.has(field)) ?? [];
  return [...new Set([...seen, ...said])].filter((field) => !QUIET.has(field) && field !== 'date');
}

export const fieldWords = (fields: readonly ChangedField[]): string =>
  listed(fields.map((field) => trustTexts.field[field]));

const near = (pembit: Pembit, moments: readonly (Moment | undefined)[], tzid: string): boolean =>
  moments.some((moment) => moment !== undefined && isNear(moment, pembit.now(), requireZone, tzid));

/** What differs for one reader between what they were shown and what they see now; nothing where they cannot tell. */
function lineFor(event: StoredEvent, was: SeenEntry, now: SeenEntry | undefined, { reading, link }: Readonly<{ reading: Reading; link: string }>): string | undefined {
  if (was.kind === 'note' || now?.kind === 'note') return undefined;
  const before = momentFor(mainMoment(was), reading);
  if (!now) return mailTexts.goneLine({ title: was.title, was: before, link });
  const after = momentFor(mainMoment(now), reading);
  if (was.cancelled === undefined && now.cancelled !== undefined) return mailTexts.calledOffLine({ title: now.title, when: after, reason: now.cancelled, link });
  if (was.cancelled !== undefined && now.cancelled === undefined) return mailTexts.takesPlaceLine({ title: now.title, when: after, link });
  if (momentText(mainMoment(was)) !== momentText(mainMoment(now))) return mailTexts.movedLine({ title: now.title, was: before, is: after, link });
  const fields = fieldsSeen(event, was, now);
  return fields.length === 0 ? undefined : mailTexts.changedLine({ title: now.title, when: after, fields: fieldWords(fields), link });
} // prettier-ignore

/** What each is told, a line once; and how each reads it. */
type Telling = Readonly<{
  told: Map<PersonId, Map<string, ToldLine>>;
  readingOf: (person: PersonId) => Reading;
}>;

function put({ told }: Telling, person: PersonId, line: ToldLine): void {
  const lines = told.get(person) ?? new Map<string, ToldLine>();
  told.set(person, lines.set(line.line, line));
}

async function tellOfEntry(pembit: Pembit, reader: Reader, event: StoredEvent, telling: Telling): Promise<void> {
  const { before, after } = event.payload.entry!;
  if (!before) return;
  const [was, now] = [entryOfState(before), await entryById(reader, event.subject as EntryId)];
  const link = `${pembit.config.baseUrl}/e/${event.subject}`;
  const state = { byMs: event.at.epochMilliseconds, sequence: after ? Number(after.row.sequence) : Number.MAX_SAFE_INTEGER };
  for (const person of await shownAsItWas(reader, event.subject, state)) {
    const { viewer } = await keptPerson(pembit, person);
    const shown = seenBy(viewer, was, event.at);
    if (!shown || shown.kind === 'note' || shown.asStaff) continue;
    const seen = now && seenBy(viewer, now, pembit.now());
    const line = lineFor(event, shown, seen, { reading: telling.readingOf(person), link });
    if (!line) continue;
    const called = !seen || seen.kind === 'note' || (seen.cancelled === undefined) !== (shown.cancelled === undefined);
    const moments = [shown, seen].map((each) => each && mainMoment(each));
    put(telling, person, { line, about: event.subject, near: called || near(pembit, moments, was.tzid) });
  }
} // prettier-ignore

async function tellOfClass(pembit: Pembit, reader: Reader, event: StoredEvent, telling: Telling): Promise<void> {
  const { section, before, after } = event.payload.class!;
  const place = await codeOfSection(reader, section as SectionId);
  if (!place || (!before && !after)) return;
  const moment = (state: NonNullable<typeof before>) => momentOfClass(state, place.tzid);
  const date = (after ?? before)!.date;
  const link = `${pembit.config.baseUrl}/day/${date}?course=${encodeURIComponent(place.code)}`;
  const lineFor = (reading: Reading): string | undefined => {
    const [was, now] = [before, after].map((state) => state && momentFor(moment(state), reading));
    const day = (state: typeof before) => state ? dateLabel(dayOf(moment(state)), 'short', reading.locale) : undefined; // prettier-ignore
    if (event.type === 'classPlanMoved') return after ? mailTexts.movedClassLine({ title: after.title, was: day(before), is: day(after)!, link }) : undefined;
    return mailTexts.classLine[event.type as keyof typeof mailTexts.classLine]({ code: place.code, was: was ?? '', is: now ?? '', reason: after?.cancelled ?? '', link });
  };
  const called = event.type !== 'classMoved' && event.type !== 'classPlanMoved';
  const soon = called || near(pembit, [before, after].map((state) => (state ? moment(state) : undefined)), place.tzid);
  const lines = new Map<Reading, string | undefined>();
  for (const person of await studentsOfSections(reader, [section as SectionId])) {
    const reading = telling.readingOf(person);
    if (!lines.has(reading)) lines.set(reading, lineFor(reading));
    const line = lines.get(reading);
    if (line) put(telling, person, { line, about: event.subject, near: soon });
  }
} // prettier-ignore

/**
 * Whom an act is to be told, and what: whoever had been shown what it changed, each by what they see of it themselves, in
 * their own way of writing dates. Nobody who sees no difference.
 */
export async function toldLines(
  pembit: Pembit,
  reader: Reader,
  events: readonly StoredEvent[],
): Promise<ReadonlyMap<PersonId, readonly ToldLine[]>> {
  const telling: Telling = { told: new Map(), readingOf: await allReadings(reader) };
  for (const event of events) {
    if (!TOLD_TYPES.has(event.type)) continue;
    if (event.payload.entry) await tellOfEntry(pembit, reader, event, telling);
    else if (event.payload.class) await tellOfClass(pembit, reader, event, telling);
  }
  return new Map([...telling.told].map(([person, lines]) => [person, [...lines.values()]]));
}
