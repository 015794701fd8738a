import { dayOf, isDay, momentText } from '../time/zonedWall';
import { plainText } from '../richText/sanitize';
import type { Temporal } from 'temporal-polyfill';
import { perSection } from '../entries/perSection';
import type { SeenEntry } from '../entries/seenBy';
import type { VEvent } from '../icalendar/calendar';
import { classTitle } from '../plan/occurrences';
import { entryTexts } from '../texts/entries';
import { dateLabel, momentLabel, timeLabel } from '../time/dateLabels';
import { spanOfMeeting } from '../time/meetings';
import type { ZoneLookup } from '../time/zone';
import { feedTexts } from '../texts/feeds';
import type { Addresses, EventContext } from './eventParts';
import { coursesOf, describe, tagged } from './eventParts';
import type { OutletContents } from './outletContents';
import { seriesEvents } from './seriesEvents';
import { sheetEvents } from './sheetEvents';

/** A page of Pembit's own is written with its whole address. */
const linkLine =
  ({ page }: Addresses) =>
  ({ label, url }: Readonly<{ label: string; url: string }>) => {
    const address = url.startsWith('/') ? page(url) : url;
    return label ? `${label}: ${address}` : address;
  };

function entryEvents(
  entry: SeenEntry,
  { plan, addresses, zoneOf }: EventContext,
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

function classEvents(contents: OutletContents, { plan, addresses }: EventContext): VEvent[] {
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

function closureEvents(contents: OutletContents, { plan, addresses }: EventContext): VEvent[] {
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
