import type { Occurrence } from '../plan/occurrence';
import type { Interval } from '../time/interval';
import type { ZoneLookup } from '../time/zone';
import { instantMs } from '../time/zone';
import { isDay } from '../time/zonedWall';

/**
 * Says what the viewer has at a time already: a class, an event, another time; one's own booking of that time is none. What
 * they have is worked out once, for sheets with many times.
 */
export function clashesWith(
  occurrences: readonly Occurrence[],
  zoneOf: ZoneLookup,
): (interval: Interval) => Occurrence | undefined {
  const busy = occurrences.flatMap((o) => {
    const concerns = o.kind === 'class' || o.kind === 'event' || (o.kind === 'booking' && o.mine);
    if (!concerns || o.cancelled !== undefined || isDay(o.start) || !o.end || isDay(o.end)) return [];
    const zone = zoneOf(o.tzid);
    return [{ startMs: instantMs(zone, o.start.wall), endMs: instantMs(zone, o.end.wall), o }];
  });
  return ({ start, end }) => {
    const [fromMs, toMs] = [start.epochMilliseconds, end.epochMilliseconds];
    return busy.find(({ startMs, endMs }) => startMs < toMs && fromMs < endMs)?.o;
  };
}
