import { Temporal } from 'temporal-polyfill';
import type { Change } from './change';

/** What tells readers of a feed that a thing changed; times to the millisecond. */
type Stamps = Readonly<{ sequence: number; created: Temporal.Instant; lastModified: Temporal.Instant }>;

/** The moment at which a change is made. */
export const momentOf = ({ nowMs }: Pick<Change, 'nowMs'>): Temporal.Instant =>
  Temporal.Instant.fromEpochMilliseconds(nowMs);

/** Sequence and dates of a thing that is written now, over what was there or as new: nowhere else do they grow. */
export const grown = (change: Pick<Change, 'nowMs'>, before?: Pick<Stamps, 'sequence' | 'created'>): Stamps => ({
  sequence: before ? before.sequence + 1 : 0,
  created: before?.created ?? momentOf(change),
  lastModified: momentOf(change),
}); // prettier-ignore
