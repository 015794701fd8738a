import { Temporal } from 'temporal-polyfill';
import { daysFromEpoch, wallFromMs } from './civil';
import type { ZonedWall } from './zonedWall';
import { SECOND_PASS, isSecondPass } from './zonedWall';

/**
 * A time zone as its list of offsets: `offsets[i]` (seconds east of UTC) holds until `untils[i]`
 * (epoch milliseconds, exclusive; the last one is Infinity). Plain numbers, so that the server can send it
 * to a browser whose own zone data may be older.
 */
export type Zone = Readonly<{ tzid: string; untils: readonly number[]; offsets: readonly number[] }>;

/** How a zone is found: the server looks in the zone data, a browser in what it was sent. */
export type ZoneLookup = (tzid: string) => Zone;

const MS = 1000;

/** The wall time read as if it were UTC, in epoch milliseconds. Plain arithmetic: a page asks for it thousands of times. */
export const wallMs = (wall: Temporal.PlainDateTime): number =>
  (((daysFromEpoch(wall.year, wall.month, wall.day) * 24 + wall.hour) * 60 + wall.minute) * 60 +
    wall.second) *
    MS +
  wall.millisecond;

/** Index of the offset in force at an instant: binary search over `untils`. */
function indexAt(zone: Zone, epochMs: number): number {
  let low = 0;
  let high = zone.untils.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (epochMs < zone.untils[middle]!) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Seconds east of UTC at an instant. */
export const offsetAt = (zone: Zone, epochMs: number): number => zone.offsets[indexAt(zone, epochMs)]!;

/**
 * The instant of a wall time. A time that the clocks skip moves forward by the gap, and of a repeated
 * time the first is meant (RFC 5545 section 3.3.5), unless it says that it is the second.
 */
export function instantMs(zone: Zone, wall: Temporal.PlainDateTime): number {
  const local = wallMs(wall);
  // The candidates lie within a day of the naive reading; the earliest consistent one is the first repetition.
  let index = indexAt(zone, local - 86_400_000);
  for (; index < zone.untils.length; index++) {
    const guess = local - zone.offsets[index]! * MS;
    if (guess < zone.untils[index]!) {
      const begins = index === 0 ? -Infinity : zone.untils[index - 1]!;
      if (guess >= begins) return (isSecondPass(wall) && secondMs(zone, local, index)) || guess;
      // Before this offset began and after the last one ended: the skipped hour, read with the offset before it.
      return local - zone.offsets[index - 1]! * MS;
    }
  }
  return local - zone.offsets.at(-1)! * MS;
}

/** The instant of the second pass of a wall time whose first lies in the offset at `index`; undefined where there is none. */
function secondMs(zone: Zone, local: number, index: number): number | undefined {
  const later = index + 1;
  if (later >= zone.untils.length) return undefined;
  const second = local - zone.offsets[later]! * MS;
  return second >= zone.untils[index]! && second < zone.untils[later]! ? second : undefined;
}

export const toInstant = (zone: Zone, wall: Temporal.PlainDateTime): Temporal.Instant =>
  Temporal.Instant.fromEpochMilliseconds(instantMs(zone, wall));

/** What the zone's clocks show; in the second pass of a repeated hour it says so. */
export function toWall(zone: Zone, instant: Temporal.Instant): Temporal.PlainDateTime {
  const ms = instant.epochMilliseconds;
  const index = indexAt(zone, ms);
  const offset = zone.offsets[index]!;
  const repeats = index > 0 ? zone.untils[index - 1]! + (zone.offsets[index - 1]! - offset) * MS : -Infinity;
  return wallFromMs(ms + offset * MS, ms < repeats ? SECOND_PASS : 0);
}

/** The same wall time, which is the second of two only where the clocks of the zone show it twice. */
export const settled = (zone: Zone, wall: Temporal.PlainDateTime): Temporal.PlainDateTime =>
  isSecondPass(wall) ? toWall(zone, toInstant(zone, wall)) : wall;

export const zonedWallAt = (zone: Zone, instant: Temporal.Instant): ZonedWall => ({
  wall: toWall(zone, instant),
  tzid: zone.tzid,
});

export type WallTrouble = 'skipped' | 'repeated';

/** Whether the clocks of the zone skip a wall time, or show it once more; undefined for the ordinary case. */
export function wallTrouble(zone: Zone, wall: Temporal.PlainDateTime): WallTrouble | undefined {
  const instant = toInstant(zone, wall);
  const local = wallMs(wall);
  if (wallMs(toWall(zone, instant)) !== local) return 'skipped';
  return secondMs(zone, local, indexAt(zone, instant.epochMilliseconds)) === undefined
    ? undefined
    : 'repeated';
}

/** `2026-10-15T17:00:00-03:00`: an instant as the zone's clocks show it, with its offset. */
export function withOffset(zone: Zone, instant: Temporal.Instant): string {
  const minutes = Math.round(offsetAt(zone, instant.epochMilliseconds) / 60);
  const sign = minutes < 0 ? '-' : '+';
  const two = (n: number) => String(n).padStart(2, '0');
  const hours = Math.floor(Math.abs(minutes) / 60);
  return `${toWall(zone, instant).toString({ smallestUnit: 'second' })}${sign}${two(hours)}:${two(Math.abs(minutes) % 60)}`;
}

/** The same zone cut down to what is in force between two instants, small enough to send with a page. */
export function zoneBetween(zone: Zone, from: Temporal.Instant, to: Temporal.Instant): Zone {
  const first = indexAt(zone, from.epochMilliseconds);
  const last = indexAt(zone, to.epochMilliseconds);
  return {
    tzid: zone.tzid,
    offsets: zone.offsets.slice(first, last + 1),
    untils: [...zone.untils.slice(first, last), Infinity],
  };
}
