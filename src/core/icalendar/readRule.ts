import { firstOccurrence } from '../series/firstOccurrence';
import { freqFirst, hasShortLists, isRule } from '../series/isRule';
import { readingTexts } from '../texts/reading';
import { toInstant, toWall } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { Moment } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import { readMoment } from './readMoment';
import { localValue, dateValue } from './values';

export type ReadRule = Readonly<{ ok: true; rrule: string }> | Readonly<{ ok: false; why: string }>;

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
  if (!isRule(text.split(';').filter(Boolean).map((part) => part.trim()).join(';'))) return bad; // prettier-ignore
  if (!hasShortLists(parts)) return bad;
  const until = parts.get('UNTIL');
  if (until) {
    const read = readMoment(
      { value: until, params: new Map() },
      { zoneOf: () => ({ tzid: 'UTC' }), floating: isDay(start) ? 'UTC' : start.tzid },
    );
    if (!read.ok) return { ok: false, why: read.why };
    parts.set('UNTIL', untilIn(read.moment, start));
  }
  const rrule = freqFirst([...parts].map(([name, given]) => `${name}=${given}`).join(';'));
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
