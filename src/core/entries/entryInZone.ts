import type { Entry } from './entry';
import type { EntryFacts } from './facts';
import type { MomentChange } from './mapMoments';
import { mapMoments } from './mapMoments';

/** The same entry under another zone: every wall time stays what the clock shows. */
export function entryInZone(entry: Entry, tzid: string): EntryFacts {
  const change: MomentChange = { wall: (at) => ({ ...at, tzid }), day: (day) => day };
  return { ...mapMoments(entry, change, change), tzid };
}
