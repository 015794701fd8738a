import { Temporal } from 'temporal-polyfill';

/** Half-open: the start is inside, the end is the first instant outside. */
export type Interval = Readonly<{ start: Temporal.Instant; end: Temporal.Instant }>;

const isBefore = (a: Temporal.Instant, b: Temporal.Instant) => Temporal.Instant.compare(a, b) < 0;

export const overlaps = (a: Interval, b: Interval): boolean =>
  isBefore(a.start, b.end) && isBefore(b.start, a.end);
