import { Temporal } from 'temporal-polyfill';
import type { CourseId, TermId } from '../ids';
import type { SiteDate } from './plan';
import type { SectionVariant } from '../entries/perSection';
import { perSection } from '../entries/perSection';
import type { SeenEntry } from '../entries/seenBy';
import type { Span } from '../series/expand';
import { expandSeries } from '../series/expand';
import type { SeenSheet } from '../signup/seenSheet';
import { slotsByDay } from '../signup/slotsByDay';
import type { Zone, ZoneLookup } from '../time/zone';
import { zonedWallAt } from '../time/zone';
import { momentText } from '../time/zonedWall';
import type { OutsideTime } from '../outside/outsideCalendar';
import { outsideShown } from '../outside/outsideShown';
import type { SeenCalendar } from '../outside/seenCalendar';
import type { Closure } from '../time/closure';
import { numberOf } from '../time/classNumber';
import { spanOfMeeting } from '../time/meetings';
import { endOfOccurrence } from '../series/endOfOccurrence';
import { entryTexts } from '../texts/entries';
import type { Occurrence } from './occurrence';
import type { SeenClass, SeenPlan } from './seenPlan';

type SeenEvent = Extract<SeenEntry, { kind: 'event' }>;
/** Which days are expanded, and how zones are found. */
type Expanding = Readonly<{ span: Span; zoneOf: ZoneLookup }>;
type EventOccurrence = Extract<Occurrence, { kind: 'event' }>;

function ofEvent(entry: SeenEvent, single: EventOccurrence, { span, zoneOf }: Expanding): EventOccurrence[] {
  if (!entry.recurrence) return [single];
  return expandSeries(entry.when.start, entry.recurrence, span).map(({ recurrenceId, override }) => {
    const start = override?.start ?? recurrenceId;
    const cancelled = override?.cancelled ?? single.cancelled;
    return {
      ...single,
      recurrenceId,
      start,
      end: override?.end ?? endOfOccurrence(entry.when, start, zoneOf(entry.tzid)),
      title: override?.title ?? single.title,
      place: override?.place ?? single.place,
      ...(cancelled === undefined ? {} : { cancelled }),
    };
  });
}

function ofEntry(entry: SectionVariant, expanding: Expanding): Occurrence[] {
  const { uid, title, tzid, release, asStaff } = entry;
  if (entry.kind === 'note')
    return [
      {
        uid, title, tzid, release, asStaff, courses: [], kind: 'note', entry: entry.id, start: entry.on, links: [],
      },
    ]; // prettier-ignore
  const { links } = entry;
  const common = {
    uid,
    title,
    tzid,
    release,
    asStaff,
    courses: entry.audience.map((part) => part.course),
    ...(entry.cancelled === undefined ? {} : { cancelled: entry.cancelled }),
  };
  switch (entry.kind) {
    case 'event': {
      const single: EventOccurrence = {
        kind: 'event',
        entry: entry.id,
        start: entry.when.start,
        end: entry.when.end,
        place: entry.place,
        meetingLink: entry.meetingLink,
        meetingName: entry.meetingName,
        links,
        repeats: entry.recurrence !== undefined,
        ...common,
      };
      return ofEvent(entry, single, expanding);
    }
    case 'announcement':
      return [{ ...common, kind: 'announcement', entry: entry.id, start: entry.on, links }];
    case 'assignment': {
      const due = {
        kind: 'due',
        entry: entry.id,
        start: entry.due,
        handIn: entry.handIn,
        setOn: entry.setOn,
        extended: entry.extended ?? false,
        ...(entry.pacing ? { paced: entry.ownStart ? ('own' as const) : ('last' as const) } : {}),
        variant: entry.variant ?? false,
        links,
        ...common,
      } as const;
      if (!entry.setOn) return [due];
      return [
        {
          ...common,
          kind: 'set',
          uid: entry.setUid,
          entry: entry.id,
          start: entry.setOn,
          due: entry.due,
          links,
        },
        due,
      ];
    }
    default:
      return entry satisfies never;
  }
}

/** The title of a class: with the section's name where the course has several. */
export const classTitle = ({
  course,
  section,
  meeting,
}: Pick<SeenClass, 'course' | 'section' | 'meeting'>): string =>
  entryTexts.classTitle(meeting, course.sections.length > 1 ? section.name : undefined);

function ofClass(seen: SeenClass, tzid: string, several: ReadonlySet<string>): Occurrence {
  const { course, section, meeting, asStaff, edits, plan } = seen;
  return {
    kind: 'class',
    uid: meeting.id,
    title: plan?.title ?? classTitle(seen),
    ...spanOfMeeting(meeting, tzid),
    tzid,
    courses: [course.id],
    release: 'shown',
    asStaff,
    meeting: meeting.id,
    number: numberOf(meeting),
    sectionName: several.has(course.id) ? section.name : undefined,
    course: course.id,
    place: seen.place,
    meetingLink: course.meetingLink,
    plan: plan?.id,
    edits,
    links: plan?.links ?? [],
    ...(meeting.cancelled === undefined ? {} : { cancelled: meeting.cancelled }),
  };
}

const ofClosure = (closure: Closure, tzid: string, courses: readonly CourseId[]): Occurrence => ({
  kind: 'closure',
  uid: closure.id,
  title: closure.name,
  start: closure.start,
  end: closure.end,
  tzid,
  courses: closure.course ? [closure.course] : courses,
  release: 'shown',
  asStaff: false,
  closesAt: closure.closesAt,
  opensAt: closure.opensAt,
  online: closure.online,
  ...(closure.sectionNames ? { sectionNames: closure.sectionNames } : {}),
});

const ofSiteDate = (date: SiteDate, tzid: string, courses: readonly CourseId[]): Occurrence => ({
  kind: 'siteDate',
  uid: date.id,
  title: date.name,
  start: date.at ? { wall: date.start.toPlainDateTime(date.at), tzid } : date.start,
  end: date.at ? undefined : date.end,
  tzid,
  courses,
  release: 'shown',
  asStaff: false,
});

function ofSheet(sheet: SeenSheet, zone: Zone): Occurrence[] {
  const { title, tzid, release, asStaff } = sheet;
  const common = { title, tzid, release, asStaff, courses: sheet.audience.map((part) => part.course) };
  const days = slotsByDay(sheet.slots, zone).map(({ date, slots }): Occurrence => ({
    ...common,
    kind: 'times',
    uid: `${sheet.uid}-${date}`,
    sheet: sheet.id,
    slots,
    start: zonedWallAt(zone, slots[0]!.interval.start),
    end: zonedWallAt(zone, slots.at(-1)!.interval.end),
  }));
  const bookings = sheet.slots.flatMap((slot) =>
    slot.bookings.map((booking): Occurrence => ({
      ...common,
      kind: 'booking',
      uid: booking.uid,
      sheet: sheet.id,
      booking: booking.id,
      mine: booking.mine,
      withNames: booking.mine ? slot.hostNames : [booking.personName],
      note: booking.note,
      place: slot.place,
      meetingLink: booking.meetingLink || slot.meetingLink,
      start: zonedWallAt(zone, slot.interval.start),
      end: zonedWallAt(zone, slot.interval.end),
    })),
  );
  return [...days, ...bookings];
}

const ofOutside = (calendar: SeenCalendar, time: OutsideTime, tzid: string): Occurrence => ({
  kind: 'outside',
  uid: `${calendar.id} ${time.uid}`,
  title: time.title,
  start: time.start,
  end: time.end,
  tzid,
  courses: calendar.beside,
  release: 'shown',
  asStaff: calendar.asStaff,
  calendar: calendar.id,
  calendarName: calendar.name,
  place: time.place,
  url: time.url,
  ...(time.cancelled ? { cancelled: '' } : {}),
});

/** The moment that an occurrence begins, as text that sorts: whole days first, then by the clock. */
const startText = (o: Occurrence): string => momentText(o.start);
const titles = new Intl.Collator('en');

/** By day, whole days first, then by the clock, then by title: the order of every list of a day. */
function inOrder(occurrences: readonly Occurrence[]): Occurrence[] {
  return occurrences
    .map((o) => ({ o, start: startText(o) }))
    .sort((a, b) => (a.start < b.start ? -1 : a.start > b.start ? 1 : titles.compare(a.o.title, b.o.title)))
    .map(({ o }) => o);
}

/** The days over which series are expanded: all terms of the plan, and two months around them. */
function spanOf(plan: Pick<SeenPlan, 'terms'>): Span {
  const starts = plan.terms.map((term) => term.startsOn).sort(Temporal.PlainDate.compare);
  const ends = plan.terms.map((term) => term.endsOn).sort(Temporal.PlainDate.compare);
  const [first] = starts;
  const last = ends.at(-1);
  if (!first || !last)
    return { from: new Temporal.PlainDate(1970, 1, 1), to: new Temporal.PlainDate(1970, 1, 1) };
  return { from: first.subtract({ months: 2 }), to: last.add({ months: 2 }) };
}

/** The last day of which a plan shows anything that repeats: a rule without an end ends there. */
export const lastShownDay = (plan: Pick<SeenPlan, 'terms'>): Temporal.PlainDate => spanOf(plan).to;

/** Everything in a seen plan, expanded, by day, time and title. A closure or date of the site concerns all its term's courses. */
export function occurrencesOf(plan: SeenPlan, zoneOf: ZoneLookup, span?: Span): readonly Occurrence[] {
  if (span) return expanded(plan, zoneOf, span);
  const known = expansions.get(plan) ?? expanded(plan, zoneOf, spanOf(plan));
  expansions.set(plan, known);
  return known;
}

// A plan as somebody sees it is kept for a while, and asked for its occurrences by every page.
const expansions = new WeakMap<SeenPlan, readonly Occurrence[]>();

function expanded(plan: SeenPlan, zoneOf: ZoneLookup, span: Span): Occurrence[] {
  const tzidOf = new Map(plan.terms.map((term) => [term.id, term.tzid]));
  const coursesIn = (term: TermId) =>
    plan.courses.filter((course) => course.term === term).map((course) => course.id);
  const sectionOf = new Map<string, string>();
  const several = new Set<string>();
  for (const { course, section } of plan.classes) {
    const first = sectionOf.get(course.id) ?? section.id;
    sectionOf.set(course.id, first);
    if (first !== section.id) several.add(course.id);
  }
  return inOrder([
    ...plan.closures.map((closure) =>
      ofClosure(closure, tzidOf.get(closure.term) ?? 'UTC', coursesIn(closure.term)),
    ),
    ...plan.siteDates.map((date) => ofSiteDate(date, tzidOf.get(date.term) ?? 'UTC', coursesIn(date.term))),
    ...plan.classes.map((seen) => ofClass(seen, tzidOf.get(seen.course.term) ?? 'UTC', several)),
    ...plan.entries.flatMap(perSection).flatMap((entry) => ofEntry(entry, { span, zoneOf })),
    ...plan.sheets.flatMap((sheet) => ofSheet(sheet, zoneOf(sheet.tzid))),
    ...plan.calendars.flatMap((calendar) =>
      outsideShown(calendar, plan.closures).map((time) =>
        ofOutside(calendar, time, tzidOf.get(calendar.term) ?? 'UTC'),
      ),
    ),
  ]);
}
