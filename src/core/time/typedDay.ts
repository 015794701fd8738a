import { Temporal } from 'temporal-polyfill';
import { quickTexts } from '../texts/quickLine';
import { dateLabel } from './dateLabels';
import type { Term } from './term';
import { weekStartOf, teachingWeeks } from './term';

/** What a typed day is read beside: today, and the term whose weeks have numbers. */
export type DayContext = Readonly<{
  today: Temporal.PlainDate;
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  locale: string;
}>;

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const NUMBERS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const ISO_DAY = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

const FULL_WEEKDAY = '(?:mon|tues|wednes|thurs|fri|satur|sun)days?';
/** Short forms are words of their own ("Sun sights"): they count only where a date is expected. */
const SHORT_WEEKDAY = '(?:mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)';
export const WEEKDAY = `(?:${FULL_WEEKDAY}|${SHORT_WEEKDAY})`;
/** The name of a month, in full or for short. */
export const MONTH = `(?:${MONTHS.map((m) => `${m}[a-z]{0,6}`).join('|')})`;
export const COUNT = `(?:\\d{1,2}|an?|${NUMBERS.slice(1).join('|')})`;

/** A number in digits or words. */
export const countOf = (text: string): number =>
  /^\d/.test(text) ? Number(text) : /^an?$/i.test(text) ? 1 : NUMBERS.indexOf(text.toLowerCase());
/** The ISO number of a weekday, from its first three letters. */
export const weekdayOf = (text: string): number => WEEKDAYS.indexOf(text.slice(0, 3).toLowerCase()) + 1;
export const weekdayName = (iso: number): string => ISO_DAY[iso - 1]!;

/** What a date in a text means; `ask` has each reading as text that means it alone. */
export type DateReading =
  | Readonly<{ kind: 'date'; date: Temporal.PlainDate }>
  | Readonly<{
      kind: 'ask';
      question: string;
      choices: readonly Readonly<{ label: string; text: string }>[];
    }>;

type Form = Readonly<{
  pattern: string;
  read: (match: RegExpExecArray, context: DayContext, text: string) => DateReading;
}>;

const is = (date: Temporal.PlainDate): DateReading => ({ kind: 'date', date });
const asking = (question: string, dates: readonly Temporal.PlainDate[], locale: string): DateReading => ({
  kind: 'ask',
  question,
  choices: dates.map((date) => ({ label: dateLabel(date, 'full', locale), text: date.toString() })),
});

/** The number of a month from its first three letters. */
export const monthOf = (text: string): number => MONTHS.indexOf(text.slice(0, 3).toLowerCase()) + 1;

/** A date that there is, or undefined. */
export function dateFrom(year: number, month: number, day: number): Temporal.PlainDate | undefined {
  try {
    return Temporal.PlainDate.from({ year, month, day }, { overflow: 'reject' });
  } catch {
    return undefined;
  }
}

/** A day of a month without its year: within the term if it can be, else the next one to come. */
function inTerm({ term, today }: DayContext, month: number, day: number): Temporal.PlainDate | undefined {
  const years = [term.startsOn.year, term.endsOn.year, today.year, today.year + 1];
  const dates = years.flatMap((year) => dateFrom(year, month, day) ?? []);
  const inside = (date: Temporal.PlainDate) =>
    Temporal.PlainDate.compare(term.startsOn, date) <= 0 &&
    Temporal.PlainDate.compare(date, term.endsOn) <= 0;
  return dates.find(inside) ?? dates.find((date) => Temporal.PlainDate.compare(date, today) >= 0) ?? dates[0];
}

function ofMonth(context: DayContext, text: string, month: number, day: number, year?: string): DateReading {
  const date = year ? dateFrom(Number(year), month, day) : inTerm(context, month, day);
  return date ? is(date) : { kind: 'ask', question: quickTexts.noSuchDate(text), choices: [] };
}

/** A day in a teaching week; without a weekday all of its days are offered. */
function inWeek(context: DayContext, number: number, weekday?: number): DateReading {
  const week = teachingWeeks(context.term).find((w) => w.number === number);
  if (!week) {
    const last = teachingWeeks(context.term).length;
    return { kind: 'ask', question: quickTexts.noSuchWeek({ week: number, last }), choices: [] };
  }
  const days = [0, 1, 2, 3, 4, 5, 6].map((offset) => week.first.add({ days: offset }));
  if (weekday) return is(days.find((day) => day.dayOfWeek === weekday)!);
  return asking(
    quickTexts.whichDay({ week: number }),
    days.filter((day) => day.dayOfWeek < 6),
    context.locale,
  );
}

/** From when a weekday is looked for: today, or the first day of a term that is yet to come. */
export const lookingFrom = ({ today, term }: DayContext): Temporal.PlainDate =>
  Temporal.PlainDate.compare(today, term.startsOn) < 0 ? term.startsOn : today;

/** The next such weekday. On that day itself, and for "next", two days can be meant. */
function comingWeekday(context: DayContext, text: string, which: string, weekday: number): DateReading {
  const { term, locale } = context;
  const today = lookingFrom(context);
  const ahead = (weekday - today.dayOfWeek + 7) % 7;
  const first = today.add({ days: ahead });
  if (/^this/i.test(which)) {
    const day = weekStartOf(today, term.weekStart);
    return is([0, 1, 2, 3, 4, 5, 6].map((n) => day.add({ days: n })).find((d) => d.dayOfWeek === weekday)!);
  }
  const twice = ahead === 0 || /^next/i.test(which);
  return twice ? asking(quickTexts.whichOf(text), [first, first.add({ days: 7 })], locale) : is(first);
}

function shifted({ today }: DayContext, count: string, unit: string): DateReading {
  const n = countOf(count);
  return is(today.add(/^w/i.test(unit) ? { weeks: n } : { days: n }));
}

function numeric(context: DayContext, text: string, a: number, b: number, year?: string): DateReading {
  const dated = (month: number, day: number) =>
    year ? dateFrom(Number(year), month, day) : inTerm(context, month, day);
  const dayFirst = dated(b, a);
  const monthFirst = dated(a, b);
  const dates = [dayFirst, monthFirst].flatMap((date) => date ?? []);
  if (dates.length === 2 && !dates[0]!.equals(dates[1]!))
    return asking(quickTexts.whichOf(text), dates, context.locale);
  return dates[0] ? is(dates[0]) : { kind: 'ask', question: quickTexts.noSuchDate(text), choices: [] };
}

/** The forms of a date, the longest first: each is tried at a place before the next one. */
const FORMS: readonly Form[] = [
  { pattern: '(\\d{4})-(\\d{2})-(\\d{2})', read: (m, _, text) => {
      const date = dateFrom(Number(m[1]), Number(m[2]), Number(m[3]));
      return date ? is(date) : { kind: 'ask', question: quickTexts.noSuchDate(text), choices: [] };
    } },
  { pattern: `(\\d{1,2})(?:st|nd|rd|th)?\\s+(?:of\\s+)?(${MONTH})\\b\\.?(?:,?\\s+((?:19|20)\\d{2})\\b)?`, read: (m, c, text) =>
      ofMonth(c, text, monthOf(m[2]!), Number(m[1]), m[3]) },
  { pattern: `(${MONTH})\\b\\.?\\s+(\\d{1,2})(?:st|nd|rd|th)?\\b(?![:.]\\d|\\s*(?:am|pm)\\b)(?:,?\\s+((?:19|20)\\d{2})\\b)?`, read: (m, c, text) =>
      ofMonth(c, text, monthOf(m[1]!), Number(m[2]), m[3]) },
  { pattern: `week\\s+(\\d{1,2}),?\\s+(?:on\\s+)?(${WEEKDAY})\\b`, read: (m, c) => inWeek(c, Number(m[1]), weekdayOf(m[2]!)) },
  { pattern: `(${WEEKDAY})\\b,?\\s+(?:(?:of|in)\\s+)?week\\s+(\\d{1,2})\\b`, read: (m, c) => inWeek(c, Number(m[2]), weekdayOf(m[1]!)) },
  { pattern: 'week\\s+(\\d{1,2})\\b', read: (m, c) => inWeek(c, Number(m[1])) },
  { pattern: 'the\\s+day\\s+after\\s+tomorrow\\b', read: (_, c) => is(c.today.add({ days: 2 })) },
  { pattern: 'today\\b', read: (_, c) => is(c.today) },
  { pattern: 'tomorrow\\b', read: (_, c) => is(c.today.add({ days: 1 })) },
  { pattern: `in\\s+(${COUNT})\\s+(days?|weeks?)\\b`, read: (m, c) => shifted(c, m[1]!, m[2]!) },
  { pattern: `(this\\s+|next\\s+)?(${FULL_WEEKDAY})\\b`, read: (m, c, text) => comingWeekday(c, text, m[1] ?? '', weekdayOf(m[2]!)) },
  { pattern: `(this\\s+|next\\s+)?(${SHORT_WEEKDAY})(?=\\s*(?:$|[,\\u{E000}])|\\s+(?:\\d|at\\b|from\\b|noon\\b|midnight\\b))`, read: (m, c, text) => comingWeekday(c, text, m[1] ?? '', weekdayOf(m[2]!)) },
  { pattern: '(\\d{1,2})[/.](\\d{1,2})[/.]((?:19|20)\\d{2})\\b', read: (m, c, text) => numeric(c, text, Number(m[1]), Number(m[2]), m[3]) },
  { pattern: '(\\d{1,2})[/.](\\d{1,2})\\b\\.?(?!\\d|:)(?!\\s*(?:am|pm|-|–))', read: (m, c, text) => numeric(c, text, Number(m[1]), Number(m[2])) },
]; // prettier-ignore

/** Days of one month written as one: `7-31 Oct`, `7 to 31 October 2026`, `Oct 7-31`; not hours beside a day. */
const BETWEEN = '\\s*(?:-|–|to|until|through)\\s*';
const STRETCHES = [
  { month: 3, from: 1, pattern: `(?<![\\w/:.-])(\\d{1,2})${BETWEEN}(\\d{1,2})\\s+(?:of\\s+)?(${MONTH})\\b\\.?(?:,?\\s+((?:19|20)\\d{2})\\b)?` },
  { month: 1, from: 2, pattern: `(?<![\\w/]|\\d(?:st|nd|rd|th)?\\s+(?:of\\s+)?)(${MONTH})\\b\\.?\\s+(\\d{1,2})${BETWEEN}(\\d{1,2})\\b(?![:.]\\d|\\s*(?:am|pm|[ap])\\b)(?:,?\\s+((?:19|20)\\d{2})\\b)?` },
]; // prettier-ignore

export type FoundStretch = Readonly<{ from: number; to: number; first: DateReading; last: DateReading }>;

/** The first stretch of days in a line that names its month once. */
export function findStretch(look: Look, context: DayContext): FoundStretch | undefined {
  const [found] = STRETCHES.flatMap(({ pattern, ...at }) => {
    const match = look(new RegExp(pattern));
    return match ? [{ ...at, match }] : [];
  }).sort((a, b) => a.match.index - b.match.index);
  if (!found) return undefined;
  const { match, month, from } = found;
  const [text] = match;
  const number = monthOf(match[month]!);
  const on = (day: number) => ofMonth(context, text, number, Number(match[day]), match[4]);
  return { from: match.index, to: match.index + text.length, first: on(from), last: on(from + 1) };
}

/** Where a date is expected, short weekdays count, too. */
const EXPECTED: readonly Form[] = [
  ...FORMS,
  { pattern: `(this\\s+|next\\s+)?(${SHORT_WEEKDAY})\\b`, read: (m, c, text) => comingWeekday(c, text, m[1] ?? '', weekdayOf(m[2]!)) },
]; // prettier-ignore

/** `Thursday 15 October`: a weekday in front of a date must be that date's. */
const WITH_WEEKDAY = `(?:(${WEEKDAY})\\b,?\\s+)?`;
const DATED = 3;

export type FoundDate = Readonly<{ from: number; to: number; reading: DateReading }>;
type Look = (pattern: RegExp) => RegExpExecArray | undefined;

function readForm(forms: readonly Form[], look: Look, context: DayContext): FoundDate | undefined {
  const found = forms.flatMap((form, i) => {
    const dated = i < DATED;
    const match = look(new RegExp(`(?<![\\w/])${dated ? WITH_WEEKDAY : ''}${form.pattern}`));
    return match ? [{ form, match, dated, i }] : [];
  });
  // The earliest in the line; of those that begin together the longest, which is the one listed first.
  const [first] = found.sort((a, b) => a.match.index - b.match.index || a.i - b.i);
  if (!first) return undefined;
  const { form, match, dated } = first;
  const [text] = match;
  const groups = dated ? (Object.assign([text, ...match.slice(2)], { index: 0, input: '' }) as RegExpExecArray) : match; // prettier-ignore
  const reading = form.read(groups, context, text);
  const span = { from: match.index, to: match.index + text.length };
  return { ...span, reading: dated && match[1] ? agreeing(reading, match[1], text, context) : reading };
}

function agreeing(reading: DateReading, weekday: string, text: string, context: DayContext): DateReading {
  if (reading.kind === 'ask' || reading.date.dayOfWeek === weekdayOf(weekday)) return reading;
  const days = (weekdayOf(weekday) - reading.date.dayOfWeek + 7) % 7;
  const near = reading.date.add({ days: days > 3 ? days - 7 : days });
  return asking(quickTexts.weekdayOff(text), [reading.date, near], context.locale);
}

/** The first date in a line. */
export const findDate = (look: Look, context: DayContext): FoundDate | undefined =>
  readForm(FORMS, look, context);

/** A date right where one is expected. */
export const dateAt = (look: Look, context: DayContext): FoundDate | undefined =>
  readForm(EXPECTED, look, context);

/** A day as forms hold it, `2026-10-28`; undefined for any other text. */
export function isoDay(text: string): Temporal.PlainDate | undefined {
  const match = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
  return match ? dateFrom(Number(match[1]), Number(match[2]), Number(match[3])) : undefined;
}

/** What a text that is a day and nothing else means. */
export type TypedDay = Readonly<
  | { kind: 'day'; day: Temporal.PlainDate }
  | { kind: 'ask'; question: string; days: readonly Temporal.PlainDate[] }
  | { kind: 'unreadable' }
>;

/**
 * Reads a day as people type it: `2026-10-28`, `28 Oct`, `Oct 28`, `Thu 5 Nov`, `28.10.`, `week 6 Thu`, `tomorrow`. What
 * means two days (`2/11`, a weekday that is not the date's) is asked, the likelier first. Without a year it is the day
 * within the term, else the next one to come.
 *
 * @example readDay('28 Oct', { today, term, locale: 'en-GB' }) // { kind: 'day', day: 2026-10-28 }
 */
export function readDay(text: string, context: DayContext): TypedDay {
  const typed = text.trim();
  const whole: Look = (pattern) => new RegExp(`^(?:${pattern.source})$`, 'iu').exec(typed) ?? undefined;
  const found = dateAt(whole, context)?.reading;
  if (found?.kind === 'date') return { kind: 'day', day: found.date };
  if (!found || found.choices.length === 0) return { kind: 'unreadable' };
  const days = found.choices.map((choice) => Temporal.PlainDate.from(choice.text));
  return { kind: 'ask', question: found.question, days };
}
