import { Temporal } from 'temporal-polyfill';
import { settled, toInstant } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { Moment } from '../time/zonedWall';
import { isDay, isSecondPass } from '../time/zonedWall';

const two = (n: number) => String(n).padStart(2, '0');

export const dateValue = (date: Temporal.PlainDate | Temporal.PlainDateTime): string =>
  `${String(date.year).padStart(4, '0')}${two(date.month)}${two(date.day)}`;

// The same moments are written again with each change of a feed.
const localValues = new WeakMap<Temporal.PlainDateTime, string>();

export function localValue(wall: Temporal.PlainDateTime): string {
  const known = localValues.get(wall);
  if (known !== undefined) return known;
  const value = `${dateValue(wall)}T${two(wall.hour)}${two(wall.minute)}${two(wall.second)}`;
  localValues.set(wall, value);
  return value;
}

const SECONDS_A_DAY = 86_400;
const EPOCH_DAY = Temporal.PlainDate.from('1970-01-01');
// A feed writes three stamps for each event, on few days, and Temporal's answers are slow.
const utcDays = new Map<number, string>();

function utcDay(day: number): string {
  const known = utcDays.get(day) ?? dateValue(EPOCH_DAY.add({ days: day }));
  utcDays.set(day, known);
  return known;
}

const utcValues = new WeakMap<Temporal.Instant, string>();

/** RFC 5545 section 3.3.5, form 2: UTC with Z. */
export function utcValue(instant: Temporal.Instant): string {
  const known = utcValues.get(instant);
  if (known !== undefined) return known;
  const seconds = Math.floor(instant.epochMilliseconds / 1000);
  const day = Math.floor(seconds / SECONDS_A_DAY);
  const rest = seconds - day * SECONDS_A_DAY;
  const value = `${utcDay(day)}T${two(Math.floor(rest / 3600))}${two(Math.floor(rest / 60) % 60)}${two(rest % 60)}Z`;
  utcValues.set(instant, value);
  return value;
}

/**
 * `DTSTART;VALUE=DATE:20261015`, `DTSTART;TZID=America/Halifax:20261015T170000` or, in UTC, `DTSTART:20261015T200000Z`. Of a
 * time that comes twice a TZID names the first (RFC 5545 section 3.3.5): the second is written in UTC.
 */
export function momentProperty(name: string, moment: Moment): string {
  if (isDay(moment)) return `${name};VALUE=DATE:${dateValue(moment)}`;
  if (moment.tzid === 'UTC') return `${name}:${localValue(moment.wall)}Z`;
  if (isSecondPass(moment.wall)) {
    const zone = requireZone(moment.tzid);
    if (isSecondPass(settled(zone, moment.wall))) return `${name}:${utcValue(toInstant(zone, moment.wall))}`;
  }
  return `${name};TZID=${moment.tzid}:${localValue(moment.wall)}`;
}

/** `-0330`; seconds only where there are any, which is before 1970 (section 3.3.14). */
export function offsetValue(seconds: number): string {
  const abs = Math.abs(seconds);
  const rest = abs % 60;
  return `${seconds < 0 ? '-' : '+'}${two(Math.floor(abs / 3600))}${two(Math.floor(abs / 60) % 60)}${rest ? two(rest) : ''}`;
}
