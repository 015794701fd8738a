import type { AssignmentEntry, EventEntry } from '../entries/entry';
import type { ReadCalendar, ReadEvent } from '../icalendar/readCalendar';
import { inZone } from '../icalendar/readMoment';
import { occurrencesOfRead } from '../icalendar/readOccurrences';
import type { Course, Plan } from '../plan/plan';
import { plainText } from '../richText/plainText';
import { feedTexts } from '../texts/feeds';
import { importTexts } from '../texts/imports';
import type { Term } from '../time/term';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';

/** What becomes of one event of a file: it is new, changes an entry, is the same as one, or cannot be taken over. */
type Became =
  | Readonly<{ state: 'new'; event: ReadEvent }>
  | Readonly<{ state: 'changed'; entry: EventEntry | AssignmentEntry; event: ReadEvent; set: boolean }>
  | Readonly<{ state: 'same' }>
  | Readonly<{ state: 'left'; why: string }>
  /** Read otherwise than it is written. */
  | Readonly<{ state: 'noted'; why: string }>;
/** `when` is in the zone of the term. */
export type ImportLine = Readonly<{ title: string; when: string; line: number }> & Became;

/** The course that a file is brought into, with its plan alone. */
export type Target = Readonly<{ plan: Plan; course: Course; term: Term }>;

/** Tells the UIDs that feeds give to what is not an entry: classes, closures, dates for everyone, sheets and their times. */
function isFrame({ plan, course }: Target): (uid: string) => boolean {
  const ids = new Set([
    ...course.sections.flatMap((section) => section.meetings.map(({ id }) => id as string)),
    ...plan.closures.map(({ id }) => id as string),
    ...plan.siteDates.map(({ id }) => id as string),
    ...plan.sheets.flatMap((sheet) => sheet.slots.flatMap((slot) => slot.bookings.map(({ uid }) => uid))),
  ]);
  const begins = [...plan.sheets.map(({ uid }) => uid), ...plan.calendars.map(({ id }) => `${id} `)];
  return (uid) => ids.has(uid) || begins.some((start) => uid.startsWith(start));
}

/** A title without what a feed of Pembit's adds: the course's tag, and that it is due. */
export function plainTitle(title: string, tag: string): string {
  const rest = title.startsWith(`${tag}: `) ? title.slice(tag.length + 2) : title;
  return rest.replace(/ \(due\)$/, '');
}

const text = (moment: Moment | undefined) => (moment ? momentText(moment) : '');

/** An event in the zone of the term; undefined where its repetitions do not keep their wall time there. */
function inTerm(event: ReadEvent, term: Term): ReadEvent | undefined {
  const { start } = event;
  if (isDay(start) || start.tzid === term.tzid) return event;
  const here = (moment: Moment) => inZone(moment, term.tzid);
  const moved = { ...event, start: here(start), end: event.end && here(event.end) };
  if (!event.rrule) return moved;
  const times = occurrencesOfRead(event, spanOf(term)).map((o) => text(here(o.start)).slice(10));
  const sameDay = text(moved.start).slice(0, 10) === text(start).slice(0, 10);
  if (!sameDay || times.some((time) => time !== text(moved.start).slice(10))) return undefined;
  return {
    ...moved,
    exdates: event.exdates.map(here),
    overrides: event.overrides.map((o) => ({
      ...o,
      recurrenceId: here(o.recurrenceId),
      start: here(o.start),
      end: o.end && here(o.end),
    })),
  };
}

const spanOf = (term: Pick<Term, 'startsOn' | 'endsOn'>) => ({
  from: term.startsOn.subtract({ months: 2 }),
  to: term.endsOn.add({ months: 2 }),
});

/**
 * One event for each time where single dates were added to a rule, or where it goes by clocks that change on other days: entries
 * have rules in the zone of their term, not lists of dates.
 */
const singles = (event: ReadEvent, term: Term): ReadEvent[] =>
  event.rdates.length === 0 && inTerm(event, term)
    ? [event]
    : occurrencesOfRead(event, spanOf(term)).map(({ event: _, recurrenceId, ...at }) => ({
        ...event,
        ...at,
        uid: `${event.uid} ${text(recurrenceId)}`,
        rrule: undefined,
        rdates: [],
        exdates: [],
        overrides: [],
      }));

/** Whether an event was written by a feed of Pembit's. */
const isOwn = ({ description }: ReadEvent) =>
  `\n${description}`.includes(`\n${feedTexts.daySheet({ url: '' })}`);

function sameEvent(entry: EventEntry, event: ReadEvent, tag: string): boolean {
  const { when, recurrence } = entry;
  const { end } = when;
  // A day is written with its end or without.
  const oneDay = when.kind === 'days' && text(when.start.add({ days: 1 })) === text(end);
  const exdates = (list: readonly Moment[] = []) => list.map(text).sort().join();
  return (
    entry.title === plainTitle(event.title, tag) &&
    text(when.start) === text(event.start) &&
    (text(end) === text(event.end) || (oneDay && !event.end)) &&
    entry.place === event.place &&
    (recurrence?.rrule ?? '') === (event.rrule ?? '') &&
    exdates(recurrence?.exdates) === exdates(event.exdates) &&
    // What a feed of Pembit's says of an entry is more than its text.
    (isOwn(event) || entry.sourceUid === undefined || plainText(entry.description) === event.description)
  );
}

type Known = EventEntry | AssignmentEntry;

/** The entries of a plan by every UID under which a file may know them, the first of each. */
function entriesByUid({ plan }: Target): ReadonlyMap<string, Readonly<{ entry: Known; set: boolean }>> {
  const byUid = new Map<string, Readonly<{ entry: Known; set: boolean }>>();
  const note = (uid: string | undefined, entry: Known, set: boolean) => {
    if (uid !== undefined && !byUid.has(uid)) byUid.set(uid, { entry, set });
  };
  for (const entry of plan.entries) {
    if (entry.kind !== 'event' && entry.kind !== 'assignment') continue;
    if (entry.kind === 'assignment') note(entry.setUid, entry, true);
    note(entry.uid, entry, false);
    note(entry.sourceUid, entry, false);
  }
  return byUid;
}

function compared(event: ReadEvent, known: ReturnType<typeof entriesByUid>, { course }: Target): Became {
  const found = known.get(event.uid);
  if (!found) return { state: 'new', event };
  const { entry, set } = found;
  const same =
    entry.kind === 'event'
      ? sameEvent(entry, event, course.tag)
      : set
        ? text(entry.setOn) === text(event.start)
        : text(entry.due) === text(event.start) && entry.title === plainTitle(event.title, course.tag);
  return same ? { state: 'same' } : { state: 'changed', entry, event, set };
}

/** Holds single events of a file against the plan of a course, matched by UID: the lines that each becomes. */
export function eventComparison(target: Target): (event: ReadEvent) => ImportLine[] {
  const { term } = target;
  const ofFrame = isFrame(target);
  const known = entriesByUid(target);
  const lineOf = (event: ReadEvent): ImportLine => {
    const here = inTerm(event, term) ?? event;
    const about = { title: event.title, when: text(here.start), line: event.line };
    const left = (why: string): ImportLine => ({ ...about, state: 'left', why });
    if (ofFrame(event.uid)) return { ...about, state: 'same' };
    if (event.cancelled) return left(importTexts.calledOff);
    if (occurrencesOfRead(here, spanOf(term)).length === 0) return left(importTexts.outsideTerm);
    return { ...about, ...compared(here, known, target) };
  };
  return (event) => {
    const lines = singles(event, term).map(lineOf);
    const { start, line, title } = event;
    if (isDay(start) || inTerm(event, term) || event.cancelled || lines.length === 0) return lines;
    return [
      {
        title,
        when: '',
        line,
        state: 'noted',
        why: importTexts.asSingles({ tzid: start.tzid, n: lines.length }),
      },
      ...lines,
    ];
  };
}

/** What the reading of a file left out, and what it read otherwise than it is written, as lines of their own. */
export const unreadLines = ({ skipped, warnings }: ReadCalendar): ImportLine[] => [
  ...skipped.map(({ line, title = '', why }): ImportLine => ({ title, when: '', line, state: 'left', why })),
  ...warnings.map(({ line, title = '', why }): ImportLine => ({
    title,
    when: '',
    line,
    state: 'noted',
    why,
  })),
];

/** Holds a file against the plan of a course, event by event. What the file left out is counted, too. */
export const compareCalendar = (calendar: ReadCalendar, target: Target): ImportLine[] => [
  ...calendar.events.flatMap(eventComparison(target)),
  ...unreadLines(calendar),
];
