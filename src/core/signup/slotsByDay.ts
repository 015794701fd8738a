import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { toWall } from '../time/zone';
import type { SeenSlot } from './seenSheet';

export type SlotDay = Readonly<{ date: Temporal.PlainDate; slots: readonly SeenSlot[] }>;

/** A sheet's times under the days they begin on, in the zone's own days, earliest first. */
export function slotsByDay(slots: readonly SeenSlot[], zone: Zone): SlotDay[] {
  const days: { date: Temporal.PlainDate; slots: SeenSlot[] }[] = [];
  for (const slot of slots) {
    const date = toWall(zone, slot.interval.start).toPlainDate();
    const last = days.at(-1);
    if (last?.date.equals(date)) last.slots.push(slot);
    else days.push({ date, slots: [slot] });
  }
  return days;
}
