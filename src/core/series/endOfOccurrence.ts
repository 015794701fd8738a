import { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { instantMs, zonedWallAt } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';

/**
 * When an occurrence of a series ends that begins at `at`: exactly as long after it as the first one lasts, whatever the
 * clocks do meanwhile (RFC 5545, section 3.8.5.3, of DTEND); days are counted. Undefined without an end.
 */
export function endOfOccurrence(
  { start, end }: Readonly<{ start: Moment; end?: Moment }>,
  at: Moment,
  zone: Zone,
): Moment | undefined {
  if (!end) return undefined;
  if (isDay(start) || isDay(end) || isDay(at))
    return isDay(start) && isDay(end) && isDay(at)
      ? at.add(start.until(end, { largestUnit: 'days' }))
      : undefined;
  const lasts = instantMs(zone, end.wall) - instantMs(zone, start.wall);
  const ends = Temporal.Instant.fromEpochMilliseconds(instantMs(zone, at.wall) + lasts);
  return { ...at, wall: zonedWallAt(zone, ends).wall };
}
