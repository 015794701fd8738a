import { entryTexts } from '@/core/texts/entries';
import type { Temporal } from 'temporal-polyfill';
import type { SeenEntry } from '@/core/entries/seenBy';
import { DATE_FIELDS } from '@/core/entries/classDates';
import type { ClassRef } from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import { choiceOf } from '@/core/series/rule';
import { timeLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import type { Moment } from '@/core/time/zonedWall';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import { draftLinks } from './draftLinks';
import type { ClassChoice, EntryDraft, RepeatDraft } from './entryDraft';
import { NO_REPEAT, emptyDraft } from './entryDraft';

const clock = (moment: Moment | undefined) => (moment && !isDay(moment) ? timeLabel(moment.wall) : '');
const day = (moment: Moment | undefined) => (moment ? dayOf(moment).toString() : '');
/** The day an end lies on, where that is not the day of its start. */
const laterDay = (end: Moment, start: Moment) => (day(end) === day(start) ? '' : day(end));
const numberText = (n: number | undefined) => (n === undefined ? '' : String(n));

const classChoice = (ref: ClassRef | undefined): ClassChoice => ({
  number: ref ? entryTexts.classMark(ref) : '',
  edge: ref?.edge ?? 'start',
});

function repeatOf(rrule: string, first: Temporal.PlainDate, term: Term | undefined): RepeatDraft {
  const choice = term && choiceOf(rrule, first, term);
  if (!choice) return { ...NO_REPEAT, kind: 'own', rrule };
  const { every, pattern, ends } = choice;
  return {
    ...NO_REPEAT,
    kind: pattern.kind,
    every: String(every),
    weekdays: pattern.kind === 'weeks' ? pattern.weekdays : [],
    ends: ends.kind,
    until: ends.kind === 'date' ? ends.until.toString() : '',
    count: ends.kind === 'count' ? String(ends.count) : '4',
    rrule,
  };
}

/** The draft that editing an entry starts from. */
export function draftOf(entry: SeenEntry, term: Term | undefined): EntryDraft {
  const start = mainMoment(entry);
  const text = {
    ...emptyDraft(day(start), undefined),
    kind: entry.kind,
    title: entry.title,
    description: entry.description,
  };
  if (entry.kind === 'note') return { ...text, starts: clock(start) };
  const { visibility, hiddenAfter } = entry;
  const shared = {
    ...text,
    links: draftLinks(entry.links),
    courses: Object.fromEntries(
      entry.audience.map(({ course, sections = [], groups = [], people = [] }) => [
        course,
        { sections, groups, people },
      ]),
    ),
    visibility: visibility.kind,
    ...(visibility.kind === 'from'
      ? { fromDay: day(visibility.from), fromTime: clock(visibility.from) }
      : {}),
    ...(visibility.kind === 'before' ? { daysBefore: String(visibility.days) } : {}),
    ...(hiddenAfter ? { hiddenDay: day(hiddenAfter.wall), hiddenTime: clock(hiddenAfter.wall) } : {}),
  };
  switch (entry.kind) {
    case 'announcement':
      return shared;
    case 'assignment':
      return {
        ...shared,
        setOn: entry.setOn?.toString() ?? '',
        dueTime: clock(entry.due),
        opensDay: day(entry.opens),
        opensTime: clock(entry.opens),
        closesDay: day(entry.closes),
        closesTime: clock(entry.closes),
        atClass: Object.fromEntries(
          DATE_FIELDS.map((field) => [field, classChoice(entry.atClass?.[field])]),
        ) as EntryDraft['atClass'],
        handIn: entry.handIn,
        lateWork: entry.lateWork ?? '',
        handInAgain: entry.handInAgain === undefined ? '' : entry.handInAgain ? 'yes' : 'no',
        latePolicy: entry.latePolicy,
        points: numberText(entry.points),
        pacedBy: entry.pacing?.unit ?? '',
        pacedCount: numberText(entry.pacing?.count),
        effortHours: numberText(entry.effortMinutes && entry.effortMinutes / 60),
        // What was arranged for all work of the course follows by itself.
        extensions: entry.extensions
          .filter(({ arranged }) => !arranged)
          .map((e) => ({
            person: e.person,
            day: day(e.due),
            time: clock(e.due),
            ...(e.closes ? { closes: momentText(e.closes) } : {}),
            ...(e.hiddenAfter ? { hiddenAfter: momentText(e.hiddenAfter.wall) } : {}),
          })),
      };
    case 'event': {
      const { end } = entry.when;
      return {
        ...shared,
        allDay: isDay(start),
        lastDay: !end ? '' : isDay(end) ? end.subtract({ days: 1 }).toString() : laterDay(end, start),
        starts: clock(start),
        ends: clock(end),
        place: entry.place,
        meetingLink: entry.meetingLink,
        meetingName: entry.meetingName,
        meetingText: entry.meetingText,
        repeat: entry.recurrence
          ? {
              ...repeatOf(entry.recurrence.rrule, dayOf(start), term),
              skips: entry.recurrence.closed !== undefined,
            }
          : NO_REPEAT,
        asksComing: entry.coming !== undefined,
        seats: numberText(entry.coming?.seats),
      };
    }
    default:
      return entry satisfies never;
  }
}
