import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import type { Entry } from './entry';
import type { MomentChange } from './mapMoments';
import { mapMoments } from './mapMoments';
import { withInstants } from './visibility';

/** The same entry under another zone: every wall time stays what the clock shows. */
export function entryInZone(entry: Entry, zone: Zone, now: Temporal.Instant): Entry {
  const change: MomentChange = { wall: (at) => ({ ...at, tzid: zone.tzid }), day: (day) => day };
  const moved = {
    ...mapMoments(entry, change, change),
    tzid: zone.tzid,
    sequence: entry.sequence + 1,
    lastModified: now,
  };
  return moved.kind === 'note' ? moved : withInstants(moved, zone);
}
