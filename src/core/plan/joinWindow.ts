import type { Temporal } from 'temporal-polyfill';
import type { ZoneLookup } from '../time/zone';
import { instantMs } from '../time/zone';
import { isDay } from '../time/zonedWall';
import type { Occurrence } from './occurrence';
import { overAtMs } from './occurrenceDays';

/** How long before it begins one can join, and how long it is thought to last where no end is said; in minutes. */
const BEFORE = 15;
const LASTS = 120;

export type Joining = Readonly<
  { state: 'now' } | { state: 'later'; from: Temporal.PlainTime } | { state: 'over' }
>;

/** Whether a meeting can be joined: shortly before and while it is. `from` is its wall time, in the zone it is in. */
export function joinWindow(o: Occurrence, now: Temporal.Instant, zoneOf: ZoneLookup): Joining {
  if (o.cancelled !== undefined) return { state: 'over' };
  if (isDay(o.start))
    return overAtMs(o, zoneOf(o.tzid)) > now.epochMilliseconds ? { state: 'now' } : { state: 'over' };
  const zone = zoneOf(o.tzid);
  const begins = instantMs(zone, o.start.wall);
  const ends = o.end ? overAtMs(o, zone) : begins + LASTS * 60_000;
  if (now.epochMilliseconds >= ends) return { state: 'over' };
  if (now.epochMilliseconds >= begins - BEFORE * 60_000) return { state: 'now' };
  return { state: 'later', from: o.start.wall.toPlainTime().subtract({ minutes: BEFORE }) };
}
