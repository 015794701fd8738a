import { Temporal } from 'temporal-polyfill';
import { scheduleTexts } from '../texts/schedule';
import type { Term } from '../time/term';
import { teachingWeeks } from '../time/term';
import { dateFrom, MONTH, monthOf, WEEKDAY, weekdayOf } from '../time/typedDay';

/** In which order numbers such as 11/10 stand, where the text itself shows it. */
export type NumberOrder = 'month first' | 'day first';

export type DateContext = Readonly<{
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  order?: NumberOrder;
  /** The teaching week that a heading names. */
  week?: number;
}>;

/** A date in a text: one reading, or several of which one has to be chosen, the likelier first. */
export type ScheduleDate = Readonly<{
  from: number;
  to: number;
  dates: readonly Temporal.PlainDate[];
  /** The last day of a stretch, itself included. */
  last?: Temporal.PlainDate;
  question?: string;
  weekday?: number;
  week?: number;
}>;

const YEAR = "(?:,?\\s*(?:'|’)?((?:19|20)\\d{2}|(?<=['’])\\d{2})\\b)?";
const ORDINAL = '(?:st|nd|rd|th)?';
/** Before a date one letter is a weekday: `M 9/14`, `R Sept 17`. */
const BEFORE = `(?:(${WEEKDAY}|th|[mtwrf])\\b\\.?(?:,|\\s)\\s*|(${WEEKDAY})\\b\\.?\\s*)?`;
const BETWEEN = '\\s*(?:-|–|—|to|until|through|thru)\\s*';
/** Weekdays around a stretch say nothing that its dates do not. */
const AFTER_WEEKDAY = `(?:${WEEKDAY}\\b\\.?,?\\s+)?`;

/** Finds a pattern in what is left of a text. */
export type Look = (pattern: RegExp) => RegExpExecArray | undefined;

const LETTERS: Readonly<Record<string, number>> = { m: 1, t: 2, w: 3, r: 4, th: 4, f: 5 };
const anyWeekday = (text: string): number => LETTERS[text.toLowerCase()] ?? weekdayOf(text);

type Given = Readonly<{ weekday?: number; context: DateContext; text: string }>;
type Found = Omit<ScheduleDate, 'from' | 'to'>;
type Form = Readonly<{
  pattern: string;
  read: (groups: readonly (string | undefined)[], given: Given) => Found | undefined;
}>;

const isIn = ({ startsOn, endsOn }: DateContext['term'], date: Temporal.PlainDate, slack = 0) =>
  Temporal.PlainDate.compare(startsOn.subtract({ days: slack }), date) <= 0 &&
  Temporal.PlainDate.compare(date, endsOn.add({ days: slack })) <= 0;

const yearOf = (text: string | undefined) =>
  text === undefined ? undefined : Number(text.length === 2 ? `20${text}` : text);

/** A day of a month in the year that is said, else in the one of the term, or right beside it. */
function candidates({ term }: DateContext, month: number, day: number, year?: number): Temporal.PlainDate[] {
  if (year !== undefined) return [dateFrom(year, month, day)].flatMap((date) => date ?? []);
  const years = [
    ...new Set([term.startsOn.year, term.endsOn.year, term.endsOn.year + 1, term.startsOn.year - 1]),
  ];
  const all = years.flatMap((one) => dateFrom(one, month, day) ?? []);
  const inside = all.filter((date) => isIn(term, date));
  const beside = all.filter((date) => isIn(term, date, 45));
  return inside.length > 0 ? inside.slice(0, 1) : beside.length > 0 ? beside.slice(0, 1) : all.slice(0, 1);
}

/** What is said of a date whose readings may be one too few or too many. */
function settle(dates: readonly Temporal.PlainDate[], { weekday, context, text }: Given): Found | undefined {
  const [first] = dates;
  if (!first) return undefined;
  const fitting = weekday === undefined ? dates : dates.filter((date) => date.dayOfWeek === weekday);
  if (fitting.length > 1) return { dates: fitting, weekday, question: scheduleTexts.whichDate({ text }) };
  if (fitting.length === 0) {
    const days = (weekday! - first.dayOfWeek + 7) % 7;
    const near = first.add({ days: days > 3 ? days - 7 : days });
    return { dates: [first, near], weekday, question: scheduleTexts.weekdayOff({ text }) };
  }
  const [date] = fitting;
  if (isIn(context.term, date!, 45)) return { dates: [date!], weekday };
  return { dates: movedIntoTerm(date!, context), weekday, question: scheduleTexts.outside({ text }) };
}

/** A day of another year as it would be in the term: the same weekday, whole weeks on; and as it stands. */
function movedIntoTerm(date: Temporal.PlainDate, { term }: DateContext): Temporal.PlainDate[] {
  const years = term.startsOn.year - date.year;
  const moved = [years, years + 1]
    .map((n) => date.add({ days: 364 * n }))
    .map((near) => near.add({ days: near.until(date.add({ years })).days > 3 ? 7 : 0 }))
    .filter((near) => isIn(term, near));
  return [...moved.slice(0, 1), date];
}

function numeric(given: Given, a: number, b: number, year: number | undefined): Found | undefined {
  const { context, weekday } = given;
  const monthFirst = candidates(context, a, b, year);
  const dayFirst = candidates(context, b, a, year);
  const both =
    context.order === 'month first'
      ? monthFirst
      : context.order === 'day first'
        ? dayFirst
        : [...monthFirst, ...dayFirst];
  const all = both.length > 0 ? both : [...monthFirst, ...dayFirst];
  const distinct = all.filter((date, i) => all.findIndex((other) => other.equals(date)) === i);
  const inTerm = distinct.filter((date) => isIn(context.term, date));
  const fitting = weekday === undefined ? [] : inTerm.filter((date) => date.dayOfWeek === weekday);
  return settle(fitting.length > 0 ? fitting : inTerm.length > 0 ? inTerm : distinct, given);
}

/** A day in a teaching week. */
function inWeek({ term }: DateContext, number: number, weekday: number): Temporal.PlainDate | undefined {
  const week = teachingWeeks(term).find((one) => one.number === number);
  if (!week) return undefined;
  return [0, 1, 2, 3, 4, 5, 6]
    .map((n) => week.first.add({ days: n }))
    .find((day) => day.dayOfWeek === weekday);
}

const one = (date: Temporal.PlainDate | undefined, more: Partial<Found> = {}): Found | undefined =>
  date && { dates: [date], ...more };

/** A stretch whose two ends are dates of months. */
function stretch(
  given: Given,
  first: readonly Temporal.PlainDate[],
  last: readonly Temporal.PlainDate[],
): Found | undefined {
  const begins = settle(first, { ...given, weekday: undefined });
  const ends = last[0];
  if (!begins || !ends) return undefined;
  const [start] = begins.dates;
  if (begins.question) return begins;
  return Temporal.PlainDate.compare(start!, ends) > 0
    ? { dates: [start!, ends], question: scheduleTexts.backwards({ text: given.text }) }
    : { dates: [start!], last: ends };
}

const WEEK = '(?:weeks?|wk\\.?|w(?=\\d))\\s*#?';
const MDAY = (
  month: string | undefined,
  day: string | undefined,
  year: string | undefined,
  { context }: Given,
) => candidates(context, monthOf(month!), Number(day), yearOf(year));

/** The forms of a date in schedules, longest first. The first two groups of each are the weekday before it. */
const FORMS: readonly Form[] = [
  { pattern: `${BEFORE}(\\d{4})-(\\d{2})-(\\d{2})(?:${BETWEEN}(\\d{4})-(\\d{2})-(\\d{2}))?\\b`, read: ([y, m, d, y2, m2, d2], given) => {
      const first = [dateFrom(Number(y), Number(m), Number(d))].flatMap((date) => date ?? []);
      return y2 ? stretch(given, first, [dateFrom(Number(y2), Number(m2), Number(d2))].flatMap((date) => date ?? [])) : settle(first, given);
    } },
  { pattern: `${BEFORE}(${MONTH})\\b\\.?\\s*(\\d{1,2})${ORDINAL}${BETWEEN}${AFTER_WEEKDAY}(${MONTH})\\b\\.?\\s*(\\d{1,2})${ORDINAL}\\b${YEAR}`, read: ([m, d, m2, d2, y], given) => stretch(given, MDAY(m, d, y, given), MDAY(m2, d2, y, given)) },
  { pattern: `${BEFORE}(\\d{1,2})${ORDINAL}\\s*(${MONTH})\\b\\.?${BETWEEN}${AFTER_WEEKDAY}(\\d{1,2})${ORDINAL}\\s*(${MONTH})\\b\\.?${YEAR}`, read: ([d, m, d2, m2, y], given) => stretch(given, MDAY(m, d, y, given), MDAY(m2, d2, y, given)) },
  { pattern: `${BEFORE}(${MONTH})\\b\\.?\\s*(\\d{1,2})${ORDINAL}${BETWEEN}(\\d{1,2})${ORDINAL}\\b(?![:.]\\d|\\s*[ap]m\\b)${YEAR}`, read: ([m, d, d2, y], given) => stretch(given, MDAY(m, d, y, given), MDAY(m, d2, y, given)) },
  { pattern: `${BEFORE}(\\d{1,2})${ORDINAL}${BETWEEN}(\\d{1,2})${ORDINAL}\\s*(?:of\\s+)?(${MONTH})\\b\\.?${YEAR}`, read: ([d, d2, m, y], given) => stretch(given, MDAY(m, d, y, given), MDAY(m, d2, y, given)) },
  { pattern: `${BEFORE}(\\d{1,2})${ORDINAL}[\\s-]*(?:of\\s+)?(${MONTH})\\b\\.?-?${YEAR}`, read: ([d, m, y], given) => settle(MDAY(m, d, y, given), given) },
  { pattern: `${BEFORE}(${MONTH})\\b\\.?[\\s-]*(\\d{1,2})${ORDINAL}\\b(?!:\\d|\\s*[ap]\\.?m\\b)${YEAR}`, read: ([m, d, y], given) => settle(MDAY(m, d, y, given), given) },
  { pattern: `${BEFORE}(\\d{1,2})/(\\d{1,2})(?:/((?:20)?\\d{2}))?${BETWEEN}${AFTER_WEEKDAY}(\\d{1,2})/(\\d{1,2})(?:/((?:20)?\\d{2}))?\\b(?!:\\d)`,
    read: ([a, b, y, a2, b2, y2], given) => {
      const first = numeric({ ...given, weekday: undefined }, Number(a), Number(b), yearOf(y));
      const last = numeric({ ...given, weekday: undefined }, Number(a2), Number(b2), yearOf(y2));
      if (!first || !last || first.question || last.question) return first ?? last;
      return stretch(given, first.dates, last.dates);
    } },
  { pattern: `${BEFORE}(\\d{1,2})[/.](\\d{1,2})[/.]((?:20)?\\d{2})\\b`, read: ([a, b, y], given) => numeric(given, Number(a), Number(b), yearOf(y)) },
  { pattern: `${BEFORE}(\\d{1,2})/(\\d{1,2})\\b(?!\\d|:\\d|/)`, read: ([a, b], given) => numeric(given, Number(a), Number(b), undefined) },
  { pattern: `${BEFORE}(\\d{1,2})\\.(\\d{1,2})\\.(?!\\d)`, read: ([d, m], given) => settle(candidates(given.context, Number(m), Number(d)), given) },
  { pattern: `()()${WEEK}(\\d{1,2})\\s*(?:,|:|-|–|—)?\\s*(?:on\\s+)?(${WEEKDAY})\\b\\.?`, read: ([week, weekday], { context }) => one(inWeek(context, Number(week), weekdayOf(weekday!)), { week: Number(week), weekday: weekdayOf(weekday!) }) },
  { pattern: `()()(${WEEKDAY})\\b\\.?,?\\s+(?:(?:of|in)\\s+)?${WEEK}(\\d{1,2})\\b`, read: ([weekday, week], { context }) => one(inWeek(context, Number(week), weekdayOf(weekday!)), { week: Number(week), weekday: weekdayOf(weekday!) }) },
]; // prettier-ignore

const PATTERNS = FORMS.map(({ pattern, read }) => ({
  read,
  pattern: new RegExp(`(?<![\\w/.:-])${pattern}`),
}));
const BARE_WEEKDAY = new RegExp(`(?<![\\w/])(${WEEKDAY})\\b\\.?`);

/** The first date in what is left of a text; a bare weekday counts where a heading says which week is meant. */
export function findScheduleDate(look: Look, context: DateContext): ScheduleDate | undefined {
  const found = PATTERNS.flatMap(({ pattern, read }, rank) => {
    const match = look(pattern);
    if (!match) return [];
    const [text, before, beforeToo, ...groups] = match;
    const weekday = (before ?? beforeToo) || undefined;
    const reading = read(groups, {
      context,
      text: text.trim(),
      ...(weekday ? { weekday: anyWeekday(weekday) } : {}),
    });
    return reading ? [{ ...reading, from: match.index, to: match.index + text.length, rank }] : [];
  }).sort((a, b) => a.from - b.from || a.rank - b.rank);
  const [first] = found;
  if (first) {
    const { rank: _, ...date } = first;
    return date;
  }
  const bare = context.week === undefined ? undefined : look(BARE_WEEKDAY);
  if (!bare) return undefined;
  const weekday = weekdayOf(bare[1]!);
  const date = inWeek(context, context.week!, weekday);
  return (
    date && { from: bare.index, to: bare.index + bare[0].length, dates: [date], weekday, week: context.week! }
  );
}

/**
 * The order that the numbers of a text show: one of them can only be read one way, and none only the other way. Weekdays that
 * stand beside them count, too.
 */
export function orderIn(text: string): NumberOrder | undefined {
  const pairs = [...text.matchAll(/(?<![\w/.:])(\d{1,2})\/(\d{1,2})(?:\/(?:20)?\d{2})?(?![\w/:])/g)].map(
    ([, a, b]) => [Number(a), Number(b)] as const,
  );
  const monthFirst = pairs.some(([a, b]) => a <= 12 && b > 12 && b <= 31);
  const dayFirst = pairs.some(([a, b]) => a > 12 && a <= 31 && b <= 12);
  return monthFirst === dayFirst ? undefined : monthFirst ? 'month first' : 'day first';
}
