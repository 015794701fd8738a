import { Temporal } from 'temporal-polyfill';
import { weekdayNamed } from '../time/weekdayNames';
import { readRange, readTime } from '../time/typedTime';
import type { Stretch } from './offeredTimes';

export type TypedStretches =
  | Readonly<{ ok: true; stretches: readonly Stretch[] }>
  | Readonly<{
      ok: false;
      /** The part that could not be read. */
      part: string;
      why: 'day' | 'time' | 'backwards';
    }>
  /** A range that means two things: both readings of it. */
  | Readonly<{ ok: false; part: string; why: 'ask'; readings: readonly [string, string] }>
  /** A range over midnight: as two stretches, if that is meant. */
  | Readonly<{ ok: false; part: string; why: 'midnight'; twoDays: readonly Stretch[] }>;

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/** `2026-10-15`, `15 Oct`, `Oct 15`: without a year, the next such day from then on. */
function dateFrom(text: string, from: Temporal.PlainDate): Temporal.PlainDate | undefined {
  try {
    if (/^\d{4}-\d{2}-\d{2}$/.test(text)) return Temporal.PlainDate.from(text, { overflow: 'reject' });
    const named = /^(?:(\d{1,2})\.?\s*([a-z]{3,9})|([a-z]{3,9})\s*(\d{1,2}))$/.exec(text);
    const month = MONTHS.indexOf((named?.[2] ?? named?.[3] ?? '').slice(0, 3)) + 1;
    const day = Number(named?.[1] ?? named?.[4] ?? 0);
    if (month === 0 || day === 0) return undefined;
    const date = Temporal.PlainDate.from({ year: from.year, month, day }, { overflow: 'reject' });
    return Temporal.PlainDate.compare(date, from) < 0 ? date.add({ years: 1 }) : date;
  } catch {
    return undefined;
  }
}

/** `15 oct` and `oct 15` as one word. */
const joined = (text: string) =>
  text
    .replace(/\b(\d{1,2})\.?\s+([a-z]{3,9})\b/g, '$1$2')
    .replace(/\b([a-z]{3,9})\s+(\d{1,2})\b(?!-)/g, (all, word: string, day: string) =>
      MONTHS.includes(word.slice(0, 3)) && weekdayNamed(word) === undefined ? `${word}${day}` : all,
    );

/**
 * The words of days in front of a range, as dates: weekdays are the next ones from a day on. A weekday right before its date
 * (`Thu 15 Oct`) is the same day; before another date it is none.
 */
function daysFrom(words: string, from: Temporal.PlainDate): Temporal.PlainDate[] | undefined {
  const days: Temporal.PlainDate[] = [];
  for (const group of words.toLowerCase().split(/[,;+&/]|\band\b/)) {
    const parts = joined(group).split(/\s+/).filter(Boolean);
    for (const [i, word] of parts.entries()) {
      const weekday = weekdayNamed(word);
      if (weekday === undefined) {
        const date = dateFrom(word, from);
        const named = weekdayNamed(parts[i - 1] ?? '');
        if (!date || (named !== undefined && named !== date.dayOfWeek)) return undefined;
        days.push(date);
      } else if (dateFrom(parts[i + 1] ?? '', from) === undefined)
        days.push(from.add({ days: (weekday - from.dayOfWeek + 7) % 7 }));
    }
  }
  return days.length > 0 ? days : undefined;
}

const RANGE =
  /(\d{1,2}(?:[:.h]?\d{2})?\s*(?:am|pm|a|p)?|noon|midnight)\s*(?:-|–|—|to|until)\s*(\d{1,2}(?:[:.h]?\d{2})?\s*(?:am|pm|a|p)?|noon|midnight)\s*$/i;

/**
 * Reads stretches as people write them: `Tue Thu 12-2`, `15 Oct, 22 Oct 10-12; Fri 9-10`. Parts are separated by semicolons
 * or line breaks; each names days and then one range.
 */
export function readStretches(text: string, from: Temporal.PlainDate): TypedStretches {
  const stretches: Stretch[] = [];
  for (const part of text
    .split(/[;\n]/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const range = RANGE.exec(part);
    if (!range) return { ok: false, part, why: 'time' };
    const days = daysFrom(part.slice(0, range.index), from);
    if (!days) return { ok: false, part, why: 'day' };
    const read = readRange(range[0]);
    if (read.kind === 'unreadable') return { ok: false, part, why: 'time' };
    if (read.kind === 'ask') {
      const before = part.slice(0, range.index).trim();
      const [one, two] = read.readings.map(
        ({ start, end }) => `${before} ${start.toString().slice(0, 5)}-${end.toString().slice(0, 5)}`,
      );
      return { ok: false, part, why: 'ask', readings: [one!, two!] };
    }
    // To midnight is within the day; beyond it is asked.
    const toMidnight =
      read.kind === 'backwards' && /^(?:0?0|24)(?:[:.h]?00)?$|^midnight$/i.test(range[2]!.trim());
    if (read.kind === 'backwards' && !toMidnight) return backwards(part, days, range);
    const hours = read.kind === 'range' ? read : { start: clockOf(range[1])!, end: MIDNIGHT };
    stretches.push(...days.map((date) => ({ date, start: hours.start, end: hours.end })));
  }
  return { ok: true, stretches };
}

const MIDNIGHT = new Temporal.PlainTime();

/** A time of day in the night's sense: a bare hour is in the morning. */
function clockOf(text: string | undefined): Temporal.PlainTime | undefined {
  const read = readTime(text ?? '');
  return read.kind === 'time' ? read.time : read.kind === 'ask' ? read.readings[1] : undefined;
}

/** A range that ends before it begins runs over midnight, if it is meant at all. */
function backwards(
  part: string,
  days: readonly Temporal.PlainDate[],
  range: RegExpExecArray,
): TypedStretches {
  const [start, end] = [clockOf(range[1]), clockOf(range[2])];
  if (!start || !end || start.hour < 18 || end.hour > 6) return { ok: false, part, why: 'backwards' };
  const twoDays = days.flatMap((date) => [
    { date, start, end: MIDNIGHT },
    { date: date.add({ days: 1 }), start: MIDNIGHT, end },
  ]);
  return { ok: false, part, why: 'midnight', twoDays };
}

const clockText = (time: Temporal.PlainTime) => time.toString({ smallestUnit: 'minute' });

/** Stretches as they are typed: those of the same hours together, by date. */
export function writeStretches(stretches: readonly Stretch[]): string {
  const byHours = new Map<string, string[]>();
  for (const { date, start, end } of stretches) {
    const hours = `${clockText(start)}-${clockText(end)}`;
    byHours.set(hours, [...(byHours.get(hours) ?? []), date.toString()]);
  }
  return [...byHours].map(([hours, dates]) => `${dates.sort().join(', ')} ${hours}`).join('; ');
}
