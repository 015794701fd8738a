import { Temporal } from 'temporal-polyfill';
import type { Interval } from '../time/interval';
import { overlaps } from '../time/interval';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import { cutStretch } from './cutStretch';

export type Stretch = Readonly<{ start: Temporal.PlainDateTime; end: Temporal.PlainDateTime }>;
type Cutting = Readonly<{ length: number; gap: number }>;

export type Offer =
  | Readonly<{ ok: true; times: readonly Interval[]; past: number; remainderMinutes: number }>
  | Readonly<{ ok: false; reason: 'stretchesOverlap' }>;

/**
 * The times that stretches of wall time give, earliest first: what the preview shows and what is then offered.
 * Times that have begun are not made; `past` counts them.
 */
export function timesToOffer(
  stretches: readonly Stretch[],
  cutting: Cutting,
  zone: Zone,
  now: Temporal.Instant,
): Offer {
  const intervals = stretches
    .map(({ start, end }) => ({ start: toInstant(zone, start), end: toInstant(zone, end) }))
    .sort((a, b) => Temporal.Instant.compare(a.start, b.start));
  if (intervals.some((interval, i) => i > 0 && overlaps(intervals[i - 1]!, interval)))
    return { ok: false, reason: 'stretchesOverlap' };
  const cuts = intervals.map((interval) => cutStretch(interval, cutting));
  const all = cuts.flatMap((cut) => cut.times);
  const times = all.filter((time) => Temporal.Instant.compare(time.start, now) > 0);
  const remainderMinutes = cuts.reduce((sum, cut) => sum + cut.remainderMinutes, 0);
  return { ok: true, times, past: all.length - times.length, remainderMinutes };
}
