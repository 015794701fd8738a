import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import type { Moment, ZonedWall } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { Entry, Visibility } from './entry';

/** The same entry under another zone: every wall time stays what the clock shows. */
export function entryInZone(entry: Entry, zone: Zone, now: Temporal.Instant): Entry {
  const wall = (at: ZonedWall): ZonedWall => ({ ...at, tzid: zone.tzid });
  const moment = (at: Moment): Moment => (isDay(at) ? at : wall(at));
  const visibility: Visibility =
    entry.visibility.kind === 'from'
      ? { kind: 'from', from: wall(entry.visibility.from), at: toInstant(zone, entry.visibility.from.wall) }
      : entry.visibility;
  const common = { tzid: zone.tzid, visibility, sequence: entry.sequence + 1, lastModified: now };
  if (entry.kind === 'assignment') return { ...entry, ...common, due: moment(entry.due) };
  const { when } = entry;
  if (when.kind === 'days') return { ...entry, ...common };
  return {
    ...entry,
    ...common,
    when: { ...when, start: wall(when.start), end: when.end && wall(when.end) },
  };
}
