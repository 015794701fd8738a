import { closureTitle } from '../plan/closureTitle';
import { dayOf, momentText } from '../time/zonedWall';
import { plainText } from '../richText/plainText';
import { perSection } from '../entries/perSection';
import type { VEvent, VTombstone } from '../icalendar/calendar';
import { outsideShown } from '../outside/outsideShown';
import { classTitle } from '../plan/occurrences';
import { entryTexts } from '../texts/entries';
import { spanOfMeeting } from '../time/meetings';
import type { ZoneLookup } from '../time/zone';
import { feedTexts } from '../texts/feeds';
import type { Addresses, EventContext } from './eventParts';
import { entryEvents } from './entryEvents';
import { colorOf, describe, linkLine, styled, tagged } from './eventParts';
import type { OutletContents } from './outletContents';
import { reachingBack } from './reachesBack';
import { sheetEvents } from './sheetEvents';

function classEvents(contents: OutletContents, { plan, addresses, named }: EventContext): VEvent[] {
  if (!contents.has('class')) return [];
  return plan.classes.map((seen) => {
    const { course, meeting } = seen;
    // A plan that changed is news to a reader as much as a class that moved.
    const modified = [meeting.lastModified, ...(seen.plan ? [seen.plan.lastModified] : [])].sort(
      (a, b) => b.epochMilliseconds - a.epochMilliseconds,
    )[0]!;
    const tzid = plan.terms.find((term) => term.id === course.term)?.tzid ?? 'UTC';
    const page = addresses.class(meeting);
    const dayName = meeting.until ? undefined : plan.dayNames.get(meeting.date.toString());
    return {
      uid: meeting.id,
      dtstamp: modified,
      dtstart: spanOfMeeting(meeting, tzid).start,
      dtend: spanOfMeeting(meeting, tzid).end,
      summary: named([course], seen.plan ? `${seen.plan.title} (${classTitle(seen)})` : classTitle(seen)),
      styledDescription: seen.plan && styled(seen.plan.description),
      ...colorOf([course]),
      description: describe([
        meeting.cancelled === undefined ? '' : entryTexts.cancelled({ reason: meeting.cancelled }),
        dayName === undefined ? '' : entryTexts.dayName({ day: dayName }),
        seen.plan && plainText(seen.plan.description),
        ...(seen.plan?.links ?? []).map(linkLine(addresses)),
        feedTexts.classPage({ url: page }),
      ]),
      location: seen.place,
      url: page,
      conference: course.meetingLink,
      categories: [course.code],
      class: 'PUBLIC',
      // A teaching week keeps nobody from anything else.
      transp: meeting.cancelled === undefined && !meeting.until ? 'OPAQUE' : 'TRANSPARENT',
      status: meeting.cancelled === undefined ? 'CONFIRMED' : 'CANCELLED',
      sequence: meeting.sequence + (seen.plan?.sequence ?? 0),
      created: modified,
      lastModified: modified,
    };
  });
}

function closureEvents(contents: OutletContents, { plan, addresses }: EventContext): VEvent[] {
  if (!contents.has('closure')) return [];
  return plan.closures.map((closure) => ({
    uid: closure.id,
    dtstamp: closure.created,
    dtstart: closure.start,
    dtend: closure.end,
    summary: closureTitle(closure.name, closure),
    url: addresses.day(closure.start, undefined),
    class: 'PUBLIC',
    transp: 'TRANSPARENT',
    status: 'CONFIRMED',
    sequence: 0,
    created: closure.created,
    lastModified: closure.created,
  }));
}

function siteDateEvents(contents: OutletContents, { plan, addresses }: EventContext): VEvent[] {
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

/** What outside calendars hold, each time by itself; a closure that one asks for stands in its place. */
function outsideEvents(contents: OutletContents, { plan, addresses }: EventContext): VEvent[] {
  if (!contents.has('outside')) return [];
  return plan.calendars.flatMap((calendar) =>
    outsideShown(calendar, plan.closures).map((time): VEvent => ({
      uid: `${calendar.id} ${time.uid}`,
      dtstamp: calendar.changedAt,
      dtstart: time.start,
      dtend: time.end,
      summary: time.title,
      description: feedTexts.from({ calendar: calendar.name }),
      location: time.place,
      url: time.url || addresses.day(dayOf(time.start), undefined),
      class: 'PUBLIC',
      transp: 'TRANSPARENT',
      status: time.cancelled ? 'CANCELLED' : 'CONFIRMED',
      sequence: 0,
      created: calendar.changedAt,
      lastModified: calendar.changedAt,
    })),
  );
}

/** What feeds keep of what they held and hold no more. */
export const feedTombstones = ({ plan }: OutletContents, events: readonly VEvent[]): VTombstone[] => {
  const present = new Set(events.map(({ uid }) => uid));
  const gone = new Map<string, VTombstone>();
  for (const { uid, goneAt, start, sequence, title } of plan.tombstones)
    if (!present.has(uid) && !gone.has(uid))
      gone.set(uid, { uid, dtstamp: goneAt, dtstart: start, sequence, ...(title ? { summary: title } : {}) });
  return [...gone.values()].sort((a, b) => (a.uid < b.uid ? -1 : 1));
};

/** The VEVENTs of an outlet, in the order of their start, then of their UID: the same bytes for the same content. */
export function feedEvents(contents: OutletContents, addresses: Addresses, zoneOf: ZoneLookup): VEvent[] {
  const { since, reminders } = contents;
  const context: EventContext = {
    plan: contents.plan,
    addresses,
    zoneOf,
    named: (courses, title) => (contents.tags ? tagged(courses, title) : title),
    alarms: (kind) => reminders.flatMap((reminder) => (reminder.kind === kind ? [reminder.minutes] : [])),
  };
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
    ...outsideEvents(contents, context),
  ]
    .filter(since ? reachingBack(since, contents.plan.entries) : () => true)
    .map((event) => ({ event, key: key(event) }))
    .sort((a, b) => (a.key < b.key ? -1 : 1))
    .map(({ event }) => event);
}
