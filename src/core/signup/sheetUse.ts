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
