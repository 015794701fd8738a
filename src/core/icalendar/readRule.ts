import { firstOccurrence } from '../series/firstOccurrence';
import { readingTexts } from '../texts/reading';
import { toInstant, toWall } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { Moment } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import { readMoment } from './readMoment';
import { localValue, dateValue } from './values';

export type ReadRule = Readonly<{ ok: true; rrule: string }> | Readonly<{ ok: false; why: string }>;

const DAY = '(?:[+-]?\\d{1,2})?(?:MO|TU|WE|TH|FR|SA|SU)';
const NUMBERS = /^[+-]?\d{1,3}(,[+-]?\d{1,3}){0,99}$/;
/** Lists within a day are kept short: long ones make every expansion crawl. */
const FEW = /^\d{1,2}(,\d{1,2}){0,3}$/;
const PARTS: Readonly<Record<string, RegExp>> = {
  FREQ: /^(DAILY|WEEKLY|MONTHLY|YEARLY)$/,
  INTERVAL: /^[1-9]\d{0,2}$/,
  COUNT: /^[1-9]\d{0,4}$/,
  UNTIL: /^\d{8}(T\d{6}Z?)?$/,
  BYDAY: new RegExp(`^${DAY}(,${DAY}){0,20}$`),
  BYMONTHDAY: NUMBERS,
  BYYEARDAY: NUMBERS,
  BYWEEKNO: NUMBERS,
  BYMONTH: NUMBERS,
  BYSETPOS: NUMBERS,
  BYHOUR: FEW,
  BYMINUTE: FEW,
  BYSECOND: FEW,
  WKST: /^(MO|TU|WE|TH|FR|SA|SU)$/,
};

/**
 * An RRULE value of a file (RFC 5545 section 3.3.10) as series here have it: UNTIL as a date or a wall time of the series'
 * own zone. Rules that repeat within a day, and those that no expansion ends in useful time, are refused.
 */
export function readRule(value: string, start: Moment): ReadRule {
  const text = value.trim().toUpperCase();
  const parts = new Map<string, string>();
  for (const part of text.split(';').filter(Boolean)) {
    const [name = '', given = ''] = part.split('=');
    parts.set(name.trim(), given.trim());
  }
  if (/^(HOURLY|MINUTELY|SECONDLY)$/.test(parts.get('FREQ') ?? ''))
    return { ok: false, why: readingTexts.tooOften };
  const bad: ReadRule = { ok: false, why: readingTexts.badRule(value) };
  if (!parts.has('FREQ') || (parts.has('COUNT') && parts.has('UNTIL'))) return bad;
  for (const [name, given] of parts) if (!PARTS[name]?.test(given)) return bad;
  const until = parts.get('UNTIL');
  if (until) {
    const read = readMoment(
      { value: until, params: new Map() },
      { zoneOf: () => ({ tzid: 'UTC' }), floating: isDay(start) ? 'UTC' : start.tzid },
    );
    if (!read.ok) return { ok: false, why: read.why };
    parts.set('UNTIL', untilIn(read.moment, start));
  }
  const rrule = [...parts].map(([name, given]) => `${name}=${given}`).join(';');
  try {
    // Whether it can be expanded at all.
    firstOccurrence(start, rrule);
    return { ok: true, rrule };
  } catch {
    return bad;
  }
}

/** UNTIL by the clocks of the series: a date of an all-day series, a wall time (or a date, for all of that day) otherwise. */
function untilIn(until: Moment, start: Moment): string {
  if (isDay(start)) return dateValue(isDay(until) ? until : until.wall);
  if (isDay(until)) return dateValue(until);
  return localValue(toWall(requireZone(start.tzid), toInstant(requireZone(until.tzid), until.wall)));
}
