import { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '../plan/occurrence';
import type { ZoneLookup } from '../time/zone';
import { instantMs } from '../time/zone';
import { isDay } from '../time/zonedWall';
import type { Busy } from './offeredTimes';

/** When those who run a sheet have something else: their classes, timed events, and their other sheets' times. */
export function busyTimes(
  occurrences: readonly Occurrence[],
  zoneOf: ZoneLookup,
  { otherThan }: { otherThan?: string } = {},
): Busy[] {
  return occurrences.flatMap((o): Busy[] => {
    const takesPart =
      o.kind === 'class' || o.kind === 'event' || (o.kind === 'times' && o.sheet !== otherThan);
    if (!takesPart || !o.asStaff || o.cancelled !== undefined || isDay(o.start) || !o.end || isDay(o.end))
      return [];
    const zone = zoneOf(o.tzid);
    const at = (wall: Temporal.PlainDateTime) =>
      Temporal.Instant.fromEpochMilliseconds(instantMs(zone, wall));
    return [{ title: o.title, start: at(o.start.wall), end: at(o.end.wall) }];
  });
}
