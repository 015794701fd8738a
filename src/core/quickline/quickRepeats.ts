import { Temporal } from 'temporal-polyfill';
import { quickTexts } from '../texts/quickLine';
import { teachingWeeks } from '../time/term';
import type { LineScanner } from './lineScanner';
import { COUNT, WEEKDAY, countOf, dateAt, lookingFrom, weekdayName, weekdayOf } from '../time/typedDay';
import type { QuickContext, QuickRepeat } from './quickEntry';

const WEEKDAYS = `${WEEKDAY}\\b(?:(?:\\s*,\\s*(?:and\\s+)?|\\s+and\\s+|\\s*\\+\\s*)${WEEKDAY}\\b)*`;
const EVERY = new RegExp(`(?<!\\w)every\\s+(?:(other|second|${COUNT})\\s+)?(days?|weeks?|${WEEKDAYS})`);
const WEEKLY = /(?<!\w)(weekly|daily)\b/;
const ON_DAYS = new RegExp(`\\s+(?:on\\s+)?(${WEEKDAYS})`);
const UNTIL_WEEK =
  /\s*,?\s*(?:until|till|through|to)\s+(?:the\s+end\s+of\s+)?week\s+(\d{1,2})\b(?!\s*,?\s*(?:mon|tue|wed|thu|fri|sat|sun))/;
const UNTIL = /\s*,?\s*(?:until|till|through)\s+/;
const TIMES = new RegExp(
  `\\s*,?\\s*(?:for\\s+)?(${COUNT})\\s+times\\b|\\s*,?\\s*[x×]\\s*(\\d{1,2})\\b|\\s*,?\\s*for\\s+(${COUNT})\\s+weeks\\b`,
);
const DURATION = new RegExp(
  `(?<!\\w)(?:for\\s+)?(?:(${COUNT})\\s*(?:h|hours?)\\b(?:\\s*(?:and\\s+)?(\\d{1,2})\\s*(?:m|min(?:ute)?s?)?\\b)?|(\\d{1,3})\\s*(?:min(?:ute)?s?)\\b|half\\s+an\\s+hour\\b)`,
);

export type TakenRepeat = Readonly<{
  rule: QuickRepeat;
  /** The first day it takes place, from today on, where weekdays are named. */
  first?: Temporal.PlainDate;
  /** Where it ends in the line: times can follow. */
  to: number;
  asked: boolean;
}>;

const weekdaysIn = (text: string): number[] =>
  [...new Set([...text.matchAll(new RegExp(`${WEEKDAY}\\b`, 'giu'))].map((m) => weekdayOf(m[0])))].sort(
    (a, b) => a - b,
  );

/** `every Tuesday and Thursday until week 12`, `weekly for 4 weeks`, `every 2 weeks, 5 times`. */
export function takeRepeat(scan: LineScanner, context: QuickContext): TakenRepeat | undefined {
  const match = scan.find(EVERY) ?? scan.find(WEEKLY);
  if (!match) return undefined;
  const [, count = '', what = ''] = match;
  const single = /^(?:weekly|daily)$/i.test(match[0]);
  const every = single || !count ? 1 : /^(?:other|second)$/i.test(count) ? 2 : countOf(count);
  const word = single ? match[0] : what;
  let to = match.index + match[0].length;
  let weekdays = /^(?:week|day|dail)/i.test(word) ? [] : weekdaysIn(word);
  const unit = /^da/i.test(word) ? 'days' : 'weeks';
  const on = weekdays.length === 0 && unit === 'weeks' ? scan.at(to, ON_DAYS) : undefined;
  if (on) {
    weekdays = weekdaysIn(on[1]!);
    to += on[0].length;
  }
  scan.take(
    { from: match.index, to },
    quickTexts.repeats,
    quickTexts.every(unit, every, weekdays.map(weekdayName)),
  );
  const ends = takeEnd(scan, context);
  const first = weekdays.length > 0 ? firstOf(lookingFrom(context), weekdays) : undefined;
  return { rule: { unit, every, weekdays, ...ends.rule }, first, to, asked: ends.asked };
}

function firstOf(today: Temporal.PlainDate, weekdays: readonly number[]): Temporal.PlainDate {
  const days = [0, 1, 2, 3, 4, 5, 6].map((n) => today.add({ days: n }));
  return days.find((day) => weekdays.includes(day.dayOfWeek))!;
}

/** Until a week, a date, or so many times; otherwise to the end of the term. */
function takeEnd(
  scan: LineScanner,
  context: QuickContext,
): { rule: Pick<QuickRepeat, 'until' | 'count'>; asked: boolean } {
  const week = scan.find(UNTIL_WEEK);
  if (week) {
    const span = { from: week.index, to: week.index + week[0].length };
    const number = Number(week[1]);
    const weeks = teachingWeeks(context.term);
    const found = weeks.find((w) => w.number === number);
    if (!found) {
      scan.ask(span, quickTexts.noSuchWeek({ week: number, last: weeks.length }), []);
      return { rule: {}, asked: true };
    }
    const last = found.first.add({ days: 6 });
    const until = Temporal.PlainDate.compare(last, context.term.endsOn) < 0 ? last : context.term.endsOn;
    scan.take(span, quickTexts.until, quickTexts.endOfWeek({ week: number }));
    return { rule: { until: until.toString() }, asked: false };
  }
  const times = scan.find(TIMES);
  if (times) {
    const count = countOf((times[1] ?? times[2] ?? times[3])!);
    scan.take(
      { from: times.index, to: times.index + times[0].length },
      quickTexts.until,
      quickTexts.times({ n: count }),
    );
    return { rule: { count }, asked: false };
  }
  const until = scan.find(UNTIL);
  const found = until && dateAt((pattern) => scan.at(until.index + until[0].length, pattern), context);
  if (!until || !found) return { rule: {}, asked: false };
  const span = { from: until.index, to: found.to };
  if (found.reading.kind === 'ask') {
    scan.ask({ from: found.from, to: found.to }, found.reading.question, found.reading.choices);
    return { rule: {}, asked: true };
  }
  scan.take(span, quickTexts.until, found.reading.date.toString());
  return { rule: { until: found.reading.date.toString() }, asked: false };
}

/** `for 90 minutes`, `2 hours`, `1h30`. */
export function takeDuration(scan: LineScanner): Temporal.Duration | undefined {
  const match = scan.find(DURATION);
  if (!match) return undefined;
  const [text, hours, rest, minutes] = match;
  const total = /half/i.test(text)
    ? 30
    : minutes
      ? Number(minutes)
      : countOf(hours!) * 60 + Number(rest ?? 0);
  scan.take(
    { from: match.index, to: match.index + text.length },
    quickTexts.duration,
    quickTexts.minutes({ n: total }),
  );
  return Temporal.Duration.from({ minutes: total });
}
