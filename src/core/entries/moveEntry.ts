import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import type { Moment, ZonedWall } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { Entry, Visibility } from './entry';

const wallBy = (at: ZonedWall, days: number): ZonedWall => ({ ...at, wall: at.wall.add({ days }) });
const momentBy = (at: Moment, days: number): Moment => (isDay(at) ? at.add({ days }) : wallBy(at, days));

/**
 * An entry some days later (or earlier, below zero), at the same wall time. With `along`, what hangs on its date comes
 * along by the same distance: the day an assignment is set, and the moment it is shown from.
 */
export function moveEntry(
  entry: Entry,
  { days, along, zone, now }: { days: number; along: boolean; zone: Zone; now: Temporal.Instant },
): Entry {
  const grown = { sequence: entry.sequence + 1, lastModified: now };
  const visibility = along ? visibilityBy(entry.visibility, days, zone) : entry.visibility;
  if (entry.kind === 'assignment')
    return {
      ...entry,
      ...grown,
      visibility,
      due: momentBy(entry.due, days),
      setOn: along ? entry.setOn?.add({ days }) : entry.setOn,
    };
  const { when } = entry;
  return {
    ...entry,
    ...grown,
    visibility,
    when:
      when.kind === 'days'
        ? { ...when, start: when.start.add({ days }), end: when.end.add({ days }) }
        : { ...when, start: wallBy(when.start, days), end: when.end && wallBy(when.end, days) },
  };
}

function visibilityBy(visibility: Visibility, days: number, zone: Zone): Visibility {
  if (visibility.kind !== 'from') return visibility;
  const from = wallBy(visibility.from, days);
  return { kind: 'from', from, at: toInstant(zone, from.wall) };
}
