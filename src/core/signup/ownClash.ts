import type { Occurrence } from '../plan/occurrences';
import type { Interval } from '../time/interval';
import type { ZoneLookup } from '../time/zone';
import { instantMs } from '../time/zone';
import { isDay } from '../time/zonedWall';

/** What the viewer has at a time already: a class, an event, another time. One's own booking of that time is none. */
export function ownClash(
  occurrences: readonly Occurrence[],
  { start, end }: Interval,
  zoneOf: ZoneLookup,
): Occurrence | undefined {
  return occurrences.find((o) => {
    const concerns = o.kind === 'class' || o.kind === 'event' || (o.kind === 'booking' && o.mine);
    if (!concerns || o.cancelled !== undefined || isDay(o.start) || !o.end || isDay(o.end)) return false;
    const zone = zoneOf(o.tzid);
    return (
      instantMs(zone, o.start.wall) < end.epochMilliseconds &&
      start.epochMilliseconds < instantMs(zone, o.end.wall)
    );
  });
}
