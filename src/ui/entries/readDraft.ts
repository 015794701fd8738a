import { readClassNumber } from '@/core/time/classNumber';
import { Temporal } from 'temporal-polyfill';
import type { EntryInputJson } from '@/core/entries/entryInput';
import { wholeAddress } from '@/core/links/wholeAddress';
import { safeUri } from '@/core/icalendar/text';
import type { RuleChoice } from '@/core/series/rule';
import { rruleOf } from '@/core/series/rule';
import { pacingTexts } from '@/core/texts/pacing';
import { panelTexts } from '@/core/texts/term';
import { readTime } from '@/core/time/typedTime';
import { timeLabel } from '@/core/time/dateLabels';
import { wallText } from '@/core/time/zonedWall';
import { sentLinks } from './draftLinks';
import type { EntryDraft } from './entryDraft';

export type DraftErrors = Readonly<Partial<Record<string, string>>>;
/** A time that means two things, with both readings as `14:00`. */
export type Question = Readonly<{ field: string; readings: readonly string[] }>;
export type DraftReading =
  | Readonly<{ ok: true; input: EntryInputJson }>
  | Readonly<{ ok: false; errors: DraftErrors; questions: readonly Question[] }>;

const { errors: say } = panelTexts;

/** Collects what is wrong with a draft, and what must be asked, while its fields are read. */
function reader() {
  const errors: Record<string, string> = {};
  const questions: Question[] = [];
  const date = (field: string, text: string): Temporal.PlainDate | undefined => {
    try {
      return Temporal.PlainDate.from(text);
    } catch {
      errors[field] = say.day;
      return undefined;
    }
  };
  const time = (field: string, text: string, after?: Temporal.PlainTime): Temporal.PlainTime | undefined => {
    const read = readTime(text);
    if (read.kind === 'time') return read.time;
    if (read.kind === 'unreadable') {
      errors[field] = say.time;
      return undefined;
    }
    // The start settles the end where only one reading lies after it.
    const fitting = read.readings.filter((t) => !after || Temporal.PlainTime.compare(t, after) > 0);
    if (after && fitting.length === 1) return fitting[0];
    questions.push({ field, readings: read.readings.map((time) => timeLabel(time)) });
    errors[field] = say.which;
    return undefined;
  };
  /** A number in words, or undefined for an empty field. */
  const number = (field: string, text: string, { whole = true } = {}): number | undefined => {
    if (text.trim() === '') return undefined;
    const value = Number(text.trim().replace(',', '.'));
    if (Number.isFinite(value) && value >= 0 && (!whole || Number.isInteger(value))) return value;
    errors[field] = whole ? say.wholeNumber : say.number;
    return undefined;
  };
  /** A day with an optional time; an empty day is nothing at all. */
  const moment = (dayField: string, day: string, timeField: string, at: string): string | undefined => {
    if (day === '') return undefined;
    const onDay = date(dayField, day);
    if (!onDay) return undefined;
    if (at.trim() === '') return onDay.toString();
    const clock = time(timeField, at);
    return clock && wall(onDay, clock);
  };
  return { errors, questions, date, time, number, moment };
}
type Reader = ReturnType<typeof reader>;

const wall = (day: Temporal.PlainDate, at: Temporal.PlainTime) => wallText(day.toPlainDateTime(at));

/** What was typed as what is sent, or what is wrong with it, field by field, and what must be asked. */
export function readDraft(draft: EntryDraft, { termEnds }: { termEnds?: string } = {}): DraftReading {
  const read = reader();
  const { errors, questions } = read;
  if (draft.title.trim() === '') errors.title = say.title;
  const dates = datesOf(draft, read, termEnds);
  const common = { title: draft.title, description: draft.description };
  const shared = draft.kind === 'note' ? {} : sharedOf(draft, read);
  if (Object.keys(errors).length > 0 || !dates) return { ok: false, errors, questions };
  return { ok: true, input: { ...common, ...shared, ...dates } as EntryInputJson };
}

function sharedOf(draft: EntryDraft, read: Reader) {
  const { errors } = read;
  if (Object.keys(draft.courses).length === 0) errors.courses = say.course;
  draft.links.forEach(({ url }, i) => {
    const address = wholeAddress(url.trim());
    if (address !== '' && (!safeUri(address) || !URL.canParse(address))) errors[`links.${i}.url`] = say.url;
  });
  const list = (items: readonly string[]) => (items.length > 0 ? [...items] : undefined);
  return {
    audience: Object.entries(draft.courses).map(([course, { sections, groups, people }]) => ({
      course,
      sections: list(sections),
      groups: list(groups),
      people: list(people),
    })),
    links: sentLinks(draft.links),
    visibility: visibilityOf(draft, read),
    hiddenAfter:
      draft.hiddenDay === ''
        ? undefined
        : read.moment('hiddenDay', draft.hiddenDay, 'hiddenTime', draft.hiddenTime || '23:59'),
  };
}

function visibilityOf(draft: EntryDraft, read: Reader) {
  switch (draft.visibility) {
    case 'visible':
    case 'draft':
      return { kind: draft.visibility };
    case 'before':
      return { kind: 'before' as const, days: read.number('daysBefore', draft.daysBefore || '7') ?? 7 };
    case 'from': {
      const day = read.date('fromDay', draft.fromDay);
      const at = read.time('fromTime', draft.fromTime);
      return day && at ? { kind: 'from' as const, from: wall(day, at) } : undefined;
    }
    default:
      return draft.visibility satisfies never;
  }
}

function datesOf(draft: EntryDraft, read: Reader, termEnds: string | undefined) {
  switch (draft.kind) {
    case 'event':
      return eventOf(draft, read, termEnds);
    case 'assignment':
      return assignmentOf(draft, read);
    case 'announcement':
    case 'note': {
      const on =
        draft.kind === 'note'
          ? read.moment('day', draft.day, 'starts', draft.starts)
          : read.date('day', draft.day)?.toString();
      if (draft.day === '') read.errors.day = say.day;
      return on ? { kind: draft.kind, on } : undefined;
    }
    default:
      return draft.kind satisfies never;
  }
}

/** The classes that dates follow. */
function atClassOf({ atClass }: EntryDraft, read: Reader) {
  const of = (field: keyof typeof atClass) => {
    const { number: typed, edge } = atClass[field];
    if (typed.trim() === '') return undefined;
    const number = readClassNumber(typed);
    if (!number) read.errors[`atClass.${field}`] = say.classNumber;
    return number && { ...number, edge };
  };
  return { setOn: of('setOn'), opens: of('opens'), due: of('due'), closes: of('closes') };
}

/** How much after one's own start it is due. */
function pacingOf({ pacedBy, pacedCount }: EntryDraft, read: Reader) {
  if (pacedBy === '') return undefined;
  const count = read.number('pacedCount', pacedCount);
  if (!count && !read.errors.pacedCount) read.errors.pacedCount = pacingTexts.count;
  return { unit: pacedBy, count: count ?? 0 };
}

function assignmentOf(draft: EntryDraft, read: Reader) {
  const { errors } = read;
  const atClass = atClassOf(draft, read);
  // What follows a class needs no day and time of its own.
  const day = atClass.due ? undefined : read.date('day', draft.day);
  const setOn = draft.setOn === '' || atClass.setOn ? undefined : read.date('setOn', draft.setOn);
  const at = draft.dueTime.trim() === '' || atClass.due ? undefined : read.time('dueTime', draft.dueTime);
  const opens = atClass.opens
    ? undefined
    : read.moment('opensDay', draft.opensDay, 'opensTime', draft.opensTime);
  const closes = atClass.closes
    ? undefined
    : read.moment('closesDay', draft.closesDay, 'closesTime', draft.closesTime);
  if (day && setOn && Temporal.PlainDate.compare(setOn, day) > 0) errors.setOn = say.setAfterDue;
  const effort = read.number('effortHours', draft.effortHours, { whole: false });
  const points = read.number('points', draft.points, { whole: false });
  const pacing = pacingOf(draft, read);
  const extensions = draft.extensions
    .filter((e) => e.person !== '')
    .map((e, i) => ({
      person: e.person,
      due: read.moment(`extensions.${i}.day`, e.day || draft.day, `extensions.${i}.time`, e.time),
      ...(e.closes ? { closes: e.closes } : {}),
      ...(e.hiddenAfter ? { hiddenAfter: e.hiddenAfter } : {}),
    }));
  if (!day && !atClass.due) return undefined;
  return {
    kind: 'assignment' as const,
    due: day && (at ? wall(day, at) : day.toString()),
    atClass: Object.values(atClass).some(Boolean) ? atClass : undefined,
    setOn: setOn?.toString(),
    opens,
    closes,
    handIn: draft.handIn,
    lateWork: draft.lateWork || undefined,
    handInAgain: draft.handInAgain === '' ? undefined : draft.handInAgain === 'yes',
    latePolicy: draft.latePolicy,
    points,
    effortMinutes: effort ? Math.round(effort * 60) : undefined,
    pacing,
    extensions,
  };
}

function eventOf(draft: EntryDraft, read: Reader, termEnds: string | undefined) {
  const { errors } = read;
  const first = read.date('day', draft.day);
  const facts = {
    kind: 'event' as const,
    place: draft.place,
    meetingLink: draft.meetingLink.trim(),
    meetingName: draft.meetingName.trim(),
    meetingText: draft.meetingText,
    rrule: first && ruleOf(draft, first, read, termEnds),
    skipsClosures: draft.repeat.kind === 'none' ? undefined : draft.repeat.skips,
    coming: draft.asksComing ? { seats: read.number('seats', draft.seats) || undefined } : undefined,
  };
  // No time at all is a whole day.
  if (draft.allDay || (draft.starts.trim() === '' && draft.ends.trim() === '')) {
    const last = draft.lastDay === '' ? first : read.date('lastDay', draft.lastDay);
    if (!first || !last) return undefined;
    if (Temporal.PlainDate.compare(last, first) < 0) errors.lastDay = say.lastBefore;
    return { ...facts, start: first.toString(), end: last.add({ days: 1 }).toString() };
  }
  const starts = read.time('starts', draft.starts);
  const ends =
    draft.ends.trim() === ''
      ? undefined
      : read.time('ends', draft.ends, draft.lastDay === '' ? starts : undefined);
  if (!first || !starts) return undefined;
  // Over several days, or over night, where a last day is given.
  const last = draft.lastDay === '' ? first : read.date('lastDay', draft.lastDay);
  if (!last) return undefined;
  const days = Temporal.PlainDate.compare(last, first);
  if (days < 0) errors.lastDay = say.lastBefore;
  if (days > 0 && draft.ends.trim() === '') errors.ends = say.endsOnLast;
  if (days === 0 && ends && Temporal.PlainTime.compare(ends, starts) <= 0) errors.ends = say.endBefore;
  return { ...facts, start: wall(first, starts), end: ends && wall(last, ends) };
}

function ruleOf(
  { repeat }: EntryDraft,
  first: Temporal.PlainDate,
  read: Reader,
  termEnds: string | undefined,
): string | undefined {
  if (repeat.kind === 'none') return undefined;
  if (repeat.kind === 'own') return repeat.rrule;
  const every = read.number('every', repeat.every || '1') ?? 1;
  const until = repeat.ends === 'date' ? read.date('until', repeat.until) : undefined;
  const count = repeat.ends === 'count' ? read.number('count', repeat.count) : undefined;
  if (repeat.ends === 'count' && !count) read.errors.count = say.count;
  if (repeat.ends === 'date' && until && Temporal.PlainDate.compare(until, first) < 0)
    read.errors.until = say.untilBefore;
  const ends: RuleChoice['ends'] = until
    ? { kind: 'date', until }
    : count
      ? { kind: 'count', count }
      : { kind: 'term' };
  const pattern: RuleChoice['pattern'] =
    repeat.kind === 'weeks'
      ? { kind: 'weeks', weekdays: repeat.weekdays.length > 0 ? repeat.weekdays : [first.dayOfWeek] }
      : { kind: repeat.kind };
  const endsOn = termEnds ? Temporal.PlainDate.from(termEnds) : first.add({ months: 4 });
  return rruleOf({ every: Math.max(1, every), pattern, ends }, first, { endsOn });
}
