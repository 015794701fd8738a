import { Temporal } from 'temporal-polyfill';

export type Clock = () => Temporal.Instant;

/** The wall clock, or one that starts at a given instant and then runs at its speed. The only place that looks. */
export function createClock(startsAt?: string): Clock {
  const shift = startsAt ? Temporal.Instant.from(startsAt).epochMilliseconds - Date.now() : 0;
  return () => Temporal.Instant.fromEpochMilliseconds(Date.now() + shift);
}
