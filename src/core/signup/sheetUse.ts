import type { Temporal } from 'temporal-polyfill';
import type { Term } from '../time/term';
import { weekNumber } from '../time/term';
import type { Zone } from '../time/zone';
import { toWall } from '../time/zone';
import type { SeenSlot } from './seenSheet';

/** Seats offered and taken, people who waited. */
export type Use = Readonly<{ key: number; offered: number; taken: number; waiting: number }>;
export type SheetUse = Readonly<{
  /** By teaching week, and by ISO weekday. */
  weeks: readonly Use[];
  weekdays: readonly Use[];
  /** Different people who had a time, and those who were noted as not having come. */
  students: number;
  missed: number;
}>;

/** How a sheet's times are used: what was offered against what was taken, and who was served. */
export function sheetUse(slots: readonly SeenSlot[], zone: Zone, term: Term): SheetUse {
  const weeks = new Map<number, Use>();
  const weekdays = new Map<number, Use>();
  const add = (map: Map<number, Use>, key: number, slot: SeenSlot) => {
    const known = map.get(key) ?? { key, offered: 0, taken: 0, waiting: 0 };
    map.set(key, {
      key,
      offered: known.offered + slot.seats,
      taken: known.taken + slot.taken,
      waiting: known.waiting + slot.waitingCount,
    });
  };
  for (const slot of slots) {
    const date = toWall(zone, slot.interval.start).toPlainDate();
    add(weeks, weekNumber(term, date) ?? 0, slot);
    add(weekdays, date.dayOfWeek, slot);
  }
  const bookings = slots.flatMap((slot) => slot.bookings);
  const sorted = (map: Map<number, Use>) => [...map.values()].sort((a, b) => a.key - b.key);
  return {
    weeks: sorted(weeks),
    weekdays: sorted(weekdays),
    students: new Set(bookings.map((booking) => booking.person)).size,
    missed: bookings.filter((booking) => booking.came === false).length,
  };
}

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
