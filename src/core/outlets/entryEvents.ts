import { lateLines } from '../entries/lateLines';
import { pacingLine } from '../entries/pacingLine';
import type { Temporal } from 'temporal-polyfill';
import type { AnnouncementEntry, AssignmentEntry, EventEntry, NoteEntry } from '../entries/entry';
import type { SeenEntry } from '../entries/seenBy';
import type { VEvent } from '../icalendar/calendar';
import { lastShownDay } from '../plan/occurrences';
import type { Course } from '../plan/plan';
import { plainText } from '../richText/plainText';
import type { Recurrence } from '../series/recurrence';
import { endingOn, ruleParts } from '../series/rule';
import { entryTexts } from '../texts/entries';
import { feedTexts } from '../texts/feeds';
import { dateLabel, momentLabel } from '../time/dateLabels';
import { dayOf, isDay } from '../time/zonedWall';
import type { EventContext } from './eventParts';
import { colorOf, coursesOf, describe, linkLine, styled } from './eventParts';
import type { OutletContents } from './outletContents';
import { seriesEvents } from './seriesEvents';

/** What the components of every kind take of an entry: shared properties, and lines for the description. */
type Parts = Readonly<{
  courses: readonly Course[];
  shared: Pick<VEvent, 'dtstamp' | 'url' | 'sequence' | 'created' | 'lastModified' | 'class' | 'status'> &
    Partial<VEvent>;
  /** That it is cancelled, and why. */
  off: string | undefined;
  text: string;
  links: readonly string[];
}>;

const stampsOf = (entry: SeenEntry, { addresses }: EventContext) => ({
  dtstamp: entry.lastModified,
  url: addresses.entry(entry.id),
  sequence: entry.sequence,
  created: entry.created,
  lastModified: entry.lastModified,
});

const sheetLine = ({ addresses }: EventContext, date: Temporal.PlainDate, { courses }: Parts) =>
  feedTexts.daySheet({ url: addresses.day(date, courses[0]) });

const noteEvent = (note: NoteEntry & SeenEntry, context: EventContext): VEvent => ({
  ...stampsOf(note, context),
  uid: note.uid,
  dtstart: note.on,
  summary: note.title,
  description: plainText(note.description),
  class: 'PRIVATE',
  transp: 'TRANSPARENT',
});

function eventEvents(entry: EventEntry, parts: Parts, context: EventContext): VEvent[] {
  const { courses, shared, off, text, links } = parts;
  const { start, end } = entry.when;
  const described = (words: string) =>
    describe([off, words, ...links, entry.meetingText, sheetLine(context, dayOf(start), parts)]);
  const event: VEvent = {
    uid: entry.uid,
    dtstart: start,
    dtend: end,
    summary: context.named(courses, entry.title),
    description: described(text),
    location: entry.place,
    conference: entry.meetingLink,
    conferenceLabel: entry.meetingName,
    transp: isDay(start) || off ? 'TRANSPARENT' : 'OPAQUE',
    alarms: off ? undefined : context.alarms('event'),
    ...shared,
  };
  if (!entry.recurrence) return [event];
  return seriesEvents(event, {
    recurrence: withEnd(entry.recurrence, context.plan),
    zone: context.zoneOf(entry.tzid),
    name: (title) => context.named(courses, title),
    text: (description) => ({
      description: described(plainText(description)),
      styledDescription: styled(description),
    }),
  });
}

/** A rule without an end ends where Pembit's own views do: what they never show does not stand elsewhere for ever. */
function withEnd(recurrence: Recurrence, plan: EventContext['plan']): Recurrence {
  const parts = ruleParts(recurrence.rrule);
  if (parts.has('UNTIL') || parts.has('COUNT')) return recurrence;
  return { ...recurrence, rrule: endingOn(recurrence.rrule, lastShownDay(plan)) };
}

/** When it is due, and the day it is set. */
function assignmentEvents(
  entry: AssignmentEntry,
  parts: Parts,
  context: EventContext,
  has: OutletContents['has'],
): VEvent[] {
  const { courses, shared, off, text, links } = parts;
  const { locale } = context.plan;
  const facts = [
    entry.handIn,
    ...[pacingLine(entry, locale)].filter(Boolean),
    ...lateLines(entry, locale),
    entry.opens && feedTexts.opens({ when: momentLabel(entry.opens, locale) }),
    entry.closes && feedTexts.closes({ when: momentLabel(entry.closes, locale) }),
    text,
    ...links,
  ];
  const due: VEvent = {
    uid: entry.uid,
    dtstart: entry.due,
    summary: context.named(courses, feedTexts.due({ title: entry.title })),
    description: describe([
      off,
      entry.setOn && feedTexts.setOn({ day: dateLabel(entry.setOn, 'short', locale) }),
      ...facts,
      sheetLine(context, dayOf(entry.due), parts),
    ]),
    transp: 'TRANSPARENT',
    alarms: off ? undefined : context.alarms('due'),
    ...shared,
  };
  const set: VEvent | undefined = entry.setOn && {
    uid: entry.setUid,
    dtstart: entry.setOn,
    summary: context.named(
      courses,
      feedTexts.set({ title: entry.title, due: momentLabel(entry.due, locale) }),
    ),
    description: describe([off, ...facts, sheetLine(context, entry.setOn, parts)]),
    transp: 'TRANSPARENT',
    ...shared,
  };
  return [...(set && has('set') ? [set] : []), ...(has('due') ? [due] : [])];
}

const announcementEvent = (entry: AnnouncementEntry, parts: Parts, context: EventContext): VEvent => ({
  uid: entry.uid,
  dtstart: entry.on,
  summary: context.named(parts.courses, entry.title),
  description: describe([parts.off, parts.text, ...parts.links, sheetLine(context, entry.on, parts)]),
  transp: 'TRANSPARENT',
  ...parts.shared,
});

/** The VEVENTs of an entry, of those kinds that the outlet has. */
export function entryEvents(entry: SeenEntry, context: EventContext, has: OutletContents['has']): VEvent[] {
  if (entry.kind === 'note') return has('note') ? [noteEvent(entry, context)] : [];
  const courses = coursesOf(context.plan, entry);
  const parts: Parts = {
    courses,
    // Spreads last, here and above: an object that begins with one and goes on is many times slower to make.
    shared: {
      categories: courses.map((course) => course.code),
      class: 'PUBLIC',
      status: entry.cancelled === undefined ? 'CONFIRMED' : 'CANCELLED',
      styledDescription: styled(entry.description),
      ...stampsOf(entry, context),
      ...colorOf(courses),
    },
    off: entry.cancelled === undefined ? undefined : entryTexts.cancelled({ reason: entry.cancelled }),
    text: plainText(entry.description),
    links: entry.links.map(linkLine(context.addresses)),
  };
  switch (entry.kind) {
    case 'event':
      return has('event') ? eventEvents(entry, parts, context) : [];
    case 'assignment':
      return assignmentEvents(entry, parts, context, has);
    case 'announcement':
      return has('announcement') ? [announcementEvent(entry, parts, context)] : [];
    default:
      return entry satisfies never;
  }
}
