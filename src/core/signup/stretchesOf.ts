import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { toWall } from '../time/zone';
import type { SeenSlot } from './seenSheet';

/** The times of a term as stretches: runs of times with the same pause between them; the length and gap most of them have. */
export function stretchesOf(slots: readonly Pick<SeenSlot, 'interval'>[], zone: Zone) {
  const minutes = (a: Temporal.Instant, b: Temporal.Instant) => a.until(b).total('minutes');
  const lengths = slots.map(({ interval }) => minutes(interval.start, interval.end));
  const sameDay = (a: Temporal.Instant, b: Temporal.Instant) =>
    toWall(zone, a).toPlainDate().equals(toWall(zone, b).toPlainDate());
  const pauses = slots.slice(1).flatMap(({ interval }, i) => {
    const before = slots[i]!.interval;
    return sameDay(before.start, interval.start) ? [minutes(before.end, interval.start)] : [];
  });
  const length = most(lengths) ?? 30;
  const gap = Math.min(most(pauses) ?? 0, 240);
  const stretches: { date: Temporal.PlainDate; start: Temporal.PlainTime; end: Temporal.PlainTime }[] = [];
  slots.forEach(({ interval }, i) => {
    const start = toWall(zone, interval.start);
    const end = toWall(zone, interval.end).toPlainTime();
    const before = slots[i - 1]?.interval;
    const last = stretches.at(-1);
    const goesOn =
      before && last && sameDay(before.start, interval.start) && minutes(before.end, interval.start) === gap;
    if (goesOn) stretches[stretches.length - 1] = { ...last, end };
    else stretches.push({ date: start.toPlainDate(), start: start.toPlainTime(), end });
  });
  return { stretches, length, gap };
}

function most(values: readonly number[]): number | undefined {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}
