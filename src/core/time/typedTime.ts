import { Temporal } from 'temporal-polyfill';
import { areHours, hoursOf } from './classHours';
import { SECOND_PASS } from './zonedWall';

/**
 * What a typed time means. `ask` carries both readings, the likelier first: a bare 1 to 6 is never guessed.
 */
export type TypedTime =
  | { kind: 'time'; time: Temporal.PlainTime }
  | { kind: 'ask'; readings: readonly [Temporal.PlainTime, Temporal.PlainTime] }
  | { kind: 'unreadable' };

const at = (hour: number, minute: number) => new Temporal.PlainTime(hour, minute);

const WORDS = new Map([
  ['noon', at(12, 0)],
  ['midday', at(12, 0)],
  ['midnight', at(0, 0)],
]);

const PATTERN = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(a|p|am|pm|a\.m\.|p\.m\.)?$/;

/** What stands behind a time that an autumn night shows twice, where the second is meant. */
export const SECOND_TIME = '(second time)';

/** Reads a time as people type it: `10`, `10a`, `2:30p`, `1400`, `14.00`, `noon`, `1:30 (second time)`. */
export function readTime(text: string): TypedTime {
  const typed = text.trim().toLowerCase();
  if (!typed.endsWith(SECOND_TIME)) return readFirst(typed);
  const read = readFirst(typed.slice(0, -SECOND_TIME.length).trim());
  const second = (time: Temporal.PlainTime) => time.with({ nanosecond: SECOND_PASS });
  if (read.kind === 'time') return { kind: 'time', time: second(read.time) };
  // Clocks are put back at night.
  return read.kind === 'ask' ? { kind: 'time', time: second(read.readings[1]) } : read;
}

function readFirst(typed: string): TypedTime {
  const word = WORDS.get(typed);
  if (word) return { kind: 'time', time: word };
  const match = PATTERN.exec(typed);
  if (!match) return { kind: 'unreadable' };
  const [, hourText = '', minuteText, half] = match;
  const hour = Number(hourText);
  const minute = Number(minuteText ?? 0);
  if (minute > 59) return { kind: 'unreadable' };
  if (half) {
    if (hour < 1 || hour > 12) return { kind: 'unreadable' };
    return { kind: 'time', time: at((hour % 12) + (half.startsWith('p') ? 12 : 0), minute) };
  }
  if (hour > 23) return { kind: 'unreadable' };
  // A leading zero, or four digits, is the 24-hour clock and settles it.
  if (hour >= 1 && hour <= 6 && !hourText.startsWith('0'))
    return { kind: 'ask', readings: [at(hour + 12, minute), at(hour, minute)] };
  return { kind: 'time', time: at(hour, minute) };
}

export type TypedRange =
  | { kind: 'range'; start: Temporal.PlainTime; end: Temporal.PlainTime }
  | { kind: 'ask'; readings: readonly [TypedRangeReading, TypedRangeReading] }
  | { kind: 'backwards' }
  | { kind: 'unreadable' };
type TypedRangeReading = Readonly<{ start: Temporal.PlainTime; end: Temporal.PlainTime }>;

const after = (a: Temporal.PlainTime, b: Temporal.PlainTime) => Temporal.PlainTime.compare(a, b) > 0;
const readingsOf = (t: TypedTime): readonly Temporal.PlainTime[] =>
  t.kind === 'time' ? [t.time] : t.kind === 'ask' ? t.readings : [];

/** The range that runs into the next day, where one of at most eight hours does. */
function overnight(
  starts: readonly Temporal.PlainTime[],
  ends: readonly Temporal.PlainTime[],
): TypedRangeReading | undefined {
  return starts
    .flatMap((start) => ends.filter((end) => !after(end, start)).map((end) => ({ start, end })))
    .filter(areHours)
    .sort((a, b) => hoursOf(a) - hoursOf(b))[0];
}

/**
 * Reads a range as people type it: `12-2` is 12:00 to 14:00, `10-11:30`, `9a to 4p`. A range that ends before it
 * begins is taken to run into the next day only where the caller knows such ranges, and only for a night's length.
 */
export function readRange(text: string, { nights = false } = {}): TypedRange {
  const parts = text.trim().split(/\s*(?:-|–|—|\bto\b|\buntil\b)\s*/i);
  if (parts.length !== 2) return { kind: 'unreadable' };
  const [first = '', second = ''] = parts;
  const starts = readingsOf(readTime(first));
  const ends = readingsOf(readTime(second));
  if (starts.length === 0 || ends.length === 0) return { kind: 'unreadable' };
  const fitting = starts.flatMap((start) =>
    ends.filter((end) => after(end, start)).map((end) => ({ start, end })),
  );
  if (fitting.length === 0) {
    const night = nights ? overnight(starts, ends) : undefined;
    return night ? { kind: 'range', ...night } : { kind: 'backwards' };
  }
  // "12-2" fits one way. "2-4" fits two ways that are each short; the crossing one (2:00 to 16:00) is nobody's meaning.
  const hours = (r: TypedRangeReading) => r.start.until(r.end).total('hours');
  const shortest = Math.min(...fitting.map(hours));
  const likely = fitting.filter((r) => hours(r) === shortest);
  const [one, two] = likely;
  if (one && two) return { kind: 'ask', readings: [one, two] };
  return { kind: 'range', ...one! };
}
