import { dayOf, isDay, momentText } from '../time/zonedWall';
import { plainText } from '../richText/sanitize';
import type { Recurrence } from '../series/recurrence';
import { Temporal } from 'temporal-polyfill';
import { perSection } from '../entries/perSection';
import type { SeenEntry } from '../entries/seenBy';
import type { VEvent } from '../icalendar/calendar';
import type { Course } from '../plan/plan';
import type { SeenPlan } from '../plan/seenPlan';
import { bookingEvent, momentOf } from '../signup/bookingEvent';
import type { SeenSheet, SeenSlot } from '../signup/seenSheet';
import { freeOf } from '../signup/seenSheet';
import { slotsByDay } from '../signup/slotsByDay';
import { classTitle } from '../plan/occurrences';
import { entryTexts } from '../texts/entries';
import { dateLabel, momentLabel, rangeLabel, timeLabel } from '../time/dateLabels';
import { spanOfMeeting } from '../time/meetings';
import type { ZoneLookup } from '../time/zone';
import { toInstant, toWall } from '../time/zone';
import type { Zone } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { feedTexts } from '../texts/feeds';
import type { OutletContents } from './outletContents';

/** Where an outlet's links lead: to pages of the outlet itself where it is public, to Pembit's own otherwise. */
export type Addresses = Readonly<{
  entry: (id: string) => string;
  day: (date: Temporal.PlainDate, course: Course | undefined) => string;
  signUp: string;
  /** A path of Pembit's, for whoever signs in. */
  page: (path: string) => string;
}>;

type Context = Readonly<{ plan: SeenPlan; addresses: Addresses; zoneOf: ZoneLookup }>;

const coursesOf = (plan: SeenPlan, item: { audience: readonly { course: string }[] }) =>
  plan.courses.filter((course) => item.audience.some((part) => part.course === course.id));

const tagged = (courses: readonly Course[], title: string) =>
  courses.length === 0 ? title : `${courses.map((c) => c.tag).join(' ')}: ${title}`;

/** Plain text that reads well in a narrow window: what it is, each link on its own line, where to read on. */
function describe(parts: readonly (string | undefined)[]): string {
  return parts.filter((part) => part !== undefined && part !== '').join('\n');
}

/** A page of Pembit's own is written with its whole address. */
const linkLine =
  ({ page }: Addresses) =>
  ({ label, url }: Readonly<{ label: string; url: string }>) => {
    const address = url.startsWith('/') ? page(url) : url;
    return label ? `${label}: ${address}` : address;
  };

function entryEvents(
  entry: SeenEntry,
  { plan, addresses, zoneOf }: Context,
  has: OutletContents['has'],
): VEvent[] {
  const common = {
    dtstamp: entry.lastModified,
    url: addresses.entry(entry.id),
    sequence: entry.sequence,
    created: entry.created,
    lastModified: entry.lastModified,
  } as const;
  if (entry.kind === 'note')
    return has('note')
      ? [
          {
            ...common,
            uid: entry.uid,
            dtstart: entry.on,
            summary: entry.title,
            description: plainText(entry.description),
            class: 'PRIVATE',
            transp: 'TRANSPARENT',
          },
        ]
      : [];
  const courses = coursesOf(plan, entry);
  const links = entry.links.map(linkLine(addresses));
  const text = plainText(entry.description);
  const off = entry.cancelled === undefined ? undefined : entryTexts.cancelled(entry.cancelled);
  const shared = {
    ...common,
    categories: courses.map((c) => c.code),
    class: 'PUBLIC',
    status: entry.cancelled === undefined ? 'CONFIRMED' : 'CANCELLED',
  } as const;
  const sheetLine = (date: Temporal.PlainDate) => feedTexts.daySheet(addresses.day(date, courses[0]));
  switch (entry.kind) {
    case 'event': {
      if (!has('event')) return [];
      const { start, end } = entry.when;
      const event: VEvent = {
        ...shared,
        uid: entry.uid,
        dtstart: start,
        dtend: end,
        summary: tagged(courses, entry.title),
        description: describe([off, text, ...links, entry.meetingText, sheetLine(dayOf(start))]),
        location: entry.place,
        conference: entry.meetingLink,
        transp: isDay(start) || off ? 'TRANSPARENT' : 'OPAQUE',
      };
      if (!entry.recurrence) return [event];
      const zone = zoneOf(entry.tzid);
      return seriesEvents(event, {
        recurrence: entry.recurrence,
        zone,
        name: (title) => tagged(courses, title),
      });
    }
    case 'assignment': {
      const facts = [
        entry.handIn,
        entry.latePolicy,
        entry.opens && feedTexts.opens(momentLabel(entry.opens, plan.locale)),
        entry.closes && feedTexts.closes(momentLabel(entry.closes, plan.locale)),
        text,
        ...links,
      ];
      const due: VEvent = {
        ...shared,
        uid: entry.uid,
        dtstart: entry.due,
        summary: tagged(courses, feedTexts.due(entry.title)),
        description: describe([
          off,
          entry.setOn && feedTexts.setOn(dateLabel(entry.setOn, 'short', plan.locale)),
          ...facts,
          sheetLine(dayOf(entry.due)),
        ]),
        transp: 'TRANSPARENT',
      };
      const set: VEvent | undefined = entry.setOn && {
        ...shared,
        uid: entry.setUid,
        dtstart: entry.setOn,
        summary: tagged(courses, feedTexts.set(entry.title, momentLabel(entry.due, plan.locale))),
        description: describe([off, ...facts, sheetLine(entry.setOn)]),
        transp: 'TRANSPARENT',
      };
      return [...(set && has('set') ? [set] : []), ...(has('due') ? [due] : [])];
    }
    case 'announcement':
      return has('announcement')
        ? [
            {
              ...shared,
              uid: entry.uid,
              dtstart: entry.on,
              summary: tagged(courses, entry.title),
              description: describe([off, text, ...links, sheetLine(entry.on)]),
              transp: 'TRANSPARENT',
            },
          ]
        : [];
    default:
      return entry satisfies never;
  }
}

/** A series as RFC 5545 writes it: the rule once, and a component with RECURRENCE-ID for each occurrence that differs. */
function seriesEvents(
  series: VEvent,
  { recurrence, zone, name }: { recurrence: Recurrence; zone: Zone; name: (title: string) => string },
): VEvent[] {
  const single = recurrence.overrides.map((override): VEvent => {
    const start = override.start ?? override.recurrenceId;
    return {
      ...series,
      recurrenceId: override.recurrenceId,
      dtstart: start,
      dtend: override.end ?? sameLength(series, start),
      summary: override.title ? name(override.title) : series.summary,
      location: override.place ?? series.location,
      ...(override.cancelled === undefined
        ? {}
        : {
            status: 'CANCELLED' as const,
            transp: 'TRANSPARENT' as const,
            description: describe([entryTexts.cancelled(override.cancelled), series.description]),
          }),
    };
  });
  return [
    { ...series, rrule: feedRule(recurrence.rrule, zone, series.dtstart), exdates: recurrence.exdates },
    ...single,
  ];
}

function sameLength({ dtstart, dtend }: VEvent, start: Moment): Moment | undefined {
  if (!dtend) return undefined;
  if (isDay(dtstart) || isDay(dtend) || isDay(start))
    return isDay(start) && isDay(dtstart) && isDay(dtend)
      ? start.add(dtstart.until(dtend, { largestUnit: 'days' }))
      : undefined;
  return { ...start, wall: start.wall.add(dtstart.wall.until(dtend.wall)) };
}

/** UNTIL of a zoned series is in UTC (RFC 5545 section 3.3.10), taken from the local end at that date's offset. */
function feedRule(rrule: string, zone: Zone, dtstart: Moment): string {
  return rrule.replace(
    /UNTIL=(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2}))?/,
    (_whole, y: string, m: string, d: string, h?: string, min?: string, sec?: string) => {
      if (isDay(dtstart)) return `UNTIL=${y}${m}${d}`;
      const wall = Temporal.PlainDateTime.from(`${y}-${m}-${d}T${h ?? '23'}:${min ?? '59'}:${sec ?? '59'}`);
      return `UNTIL=${toInstant(zone, wall).toString({ smallestUnit: 'second' }).replace(/[-:]/g, '')}`;
    },
  );
}

function classEvents(contents: OutletContents, { plan, addresses }: Context): VEvent[] {
  if (!contents.has('class')) return [];
  return plan.classes.map((seen) => {
    const { course, meeting } = seen;
    // A plan that changed is news to a reader as much as a class that moved.
    const modified = [meeting.lastModified, ...(seen.plan ? [seen.plan.lastModified] : [])].sort(
      (a, b) => b.epochMilliseconds - a.epochMilliseconds,
    )[0]!;
    const tzid = plan.terms.find((term) => term.id === course.term)?.tzid ?? 'UTC';
    const day = addresses.day(meeting.date, course);
    return {
      uid: meeting.id,
      dtstamp: modified,
      dtstart: spanOfMeeting(meeting, tzid).start,
      dtend: spanOfMeeting(meeting, tzid).end,
      summary: tagged([course], seen.plan ? `${seen.plan.title} (${classTitle(seen)})` : classTitle(seen)),
      description: describe([
        meeting.cancelled === undefined ? '' : entryTexts.cancelled(meeting.cancelled),
        seen.plan && plainText(seen.plan.description),
        ...(seen.plan?.links ?? []).map(linkLine(addresses)),
        feedTexts.daySheet(day),
      ]),
      location: course.place,
      url: day,
      conference: course.meetingLink,
      categories: [course.code],
      class: 'PUBLIC',
      transp: meeting.cancelled === undefined ? 'OPAQUE' : 'TRANSPARENT',
      status: meeting.cancelled === undefined ? 'CONFIRMED' : 'CANCELLED',
      sequence: meeting.sequence + (seen.plan?.sequence ?? 0),
      created: modified,
      lastModified: modified,
    };
  });
}

function closureEvents(contents: OutletContents, { plan, addresses }: Context): VEvent[] {
  if (!contents.has('closure')) return [];
  return plan.closures.map((closure) => ({
    uid: closure.id,
    dtstamp: closure.created,
    dtstart: closure.start,
    dtend: closure.end,
    summary: closure.closesAt
      ? entryTexts.closedFrom(closure.name, timeLabel(closure.closesAt))
      : closure.name,
    url: addresses.day(closure.start, undefined),
    class: 'PUBLIC',
    transp: 'TRANSPARENT',
    status: 'CONFIRMED',
    sequence: 0,
    created: closure.created,
    lastModified: closure.created,
  }));
}

function siteDateEvents(contents: OutletContents, { plan, addresses }: Context): VEvent[] {
  if (!contents.has('event')) return [];
  return plan.siteDates.map((date) => {
    const tzid = plan.terms.find((term) => term.id === date.term)?.tzid ?? 'UTC';
    return {
      uid: date.id,
      dtstamp: date.created,
      dtstart: date.at ? { wall: date.start.toPlainDateTime(date.at), tzid } : date.start,
      dtend: date.at ? undefined : date.end,
      summary: date.name,
      url: addresses.day(date.start, undefined),
      class: 'PUBLIC',
      transp: 'TRANSPARENT',
      status: 'CONFIRMED',
      sequence: 0,
      created: date.created,
      lastModified: date.created,
    };
  });
}

const laterOf = (a: Temporal.Instant, b: Temporal.Instant) => (Temporal.Instant.compare(a, b) > 0 ? a : b);

function sheetEvents(
  sheet: SeenSheet,
  { plan, addresses, zoneOf }: Context,
  contents: OutletContents,
): VEvent[] {
  const zone = zoneOf(sheet.tzid);
  const courses = coursesOf(plan, sheet);
  const common = {
    dtstamp: sheet.uses.last ? laterOf(sheet.lastModified, sheet.uses.last) : sheet.lastModified,
    location: sheet.place,
    url: addresses.signUp,
    categories: courses.map((c) => c.code),
    class: 'PUBLIC',
    transp: 'TRANSPARENT',
    status: 'CONFIRMED',
    // What is free changes with each time that is taken.
    sequence: sheet.sequence + sheet.uses.count,
    created: sheet.created,
  } as const;
  const rangeOf = ({ interval }: SeenSlot) =>
    rangeLabel(toWall(zone, interval.start), toWall(zone, interval.end));
  const timed = (first: SeenSlot, last: SeenSlot) => ({
    dtstart: momentOf(zone, first.interval.start),
    dtend: momentOf(zone, last.interval.end),
  });
  const days = slotsByDay(sheet.slots, zone).map(({ date, slots }): VEvent => {
    const free = slots.filter((slot) => freeOf(slot) > 0);
    return {
      ...common,
      uid: `${sheet.uid}-${date}`,
      ...timed(slots[0]!, slots.at(-1)!),
      summary: tagged(courses, feedTexts.times(sheet.title, free.length, slots.length)),
      description: describe([...free.map(rangeOf), feedTexts.takeATime(addresses.signUp)]),
      lastModified: common.dtstamp,
    };
  });
  const single = sheet.slots
    .filter((slot) => freeOf(slot) > 0)
    .map((slot): VEvent => ({
      ...common,
      uid: `${sheet.uid}-${slot.id}`,
      ...timed(slot, slot),
      summary: tagged(courses, feedTexts.freeTime(sheet.title)),
      description: feedTexts.takeATime(addresses.signUp),
      lastModified: common.dtstamp,
    }));
  const bookings = sheet.slots.flatMap((slot) =>
    slot.bookings.map((booking) =>
      bookingEvent(sheet, {
        interval: slot.interval,
        booking,
        names: booking.mine ? slot.hostNames : [booking.personName],
        tags: courses.map((c) => c.tag),
        codes: courses.map((c) => c.code),
        zone,
        signUp: addresses.signUp,
      }),
    ),
  );
  const times = contents.times === 'single' ? single : days;
  return [...(contents.has('times') ? times : []), ...(contents.has('booking') ? bookings : [])];
}

/** The VEVENTs of an outlet, in the order of their start, then of their UID: the same bytes for the same content. */
export function feedEvents(contents: OutletContents, addresses: Addresses, zoneOf: ZoneLookup): VEvent[] {
  const context = { plan: contents.plan, addresses, zoneOf };
  const key = (event: VEvent) =>
    `${momentText(event.dtstart)} ${event.uid} ${event.recurrenceId ? momentText(event.recurrenceId) : ''}`;
  return [
    ...classEvents(contents, context),
    ...closureEvents(contents, context),
    ...siteDateEvents(contents, context),
    ...contents.plan.entries
      .flatMap(perSection)
      .flatMap((entry) => entryEvents(entry, context, contents.has)),
    ...contents.plan.sheets.flatMap((sheet) => sheetEvents(sheet, context, contents)),
  ].sort((a, b) => (key(a) < key(b) ? -1 : 1));
}
