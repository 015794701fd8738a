import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '../ids';
import type { Sheet, Slot } from './sheet';

export type BookingRefusal = 'timeOver' | 'timeTaken' | 'alreadyYours' | 'timesUsedUp';
export type BookingDecision = { ok: true; seat: number } | { ok: false; reason: BookingRefusal };

/**
 * Whether a person may take a time now, and in which seat (the lowest free one, from 1). Whether the person may see
 * the sheet at all is decided before, by `seenSheet`; UNIQUE (slot, seat) holds whatever this function believes.
 */
export function decideBooking(
  sheet: Sheet,
  slot: Slot,
  person: PersonId,
  now: Temporal.Instant,
): BookingDecision {
  // Over wins over taken: a taken time may be given back, one that has begun will not come again.
  if (Temporal.Instant.compare(slot.interval.start, now) <= 0) return { ok: false, reason: 'timeOver' };
  if (slot.bookings.some((b) => b.person === person)) return { ok: false, reason: 'alreadyYours' };
  if (slot.bookings.length >= slot.seats) return { ok: false, reason: 'timeTaken' };
  const held = sheet.slots.filter((s) => s.bookings.some((b) => b.person === person)).length;
  if (held >= sheet.timesPerStudent) return { ok: false, reason: 'timesUsedUp' };
  return { ok: true, seat: lowestFreeSeat(slot) };
}

function lowestFreeSeat(slot: Slot): number {
  const taken = new Set(slot.bookings.map((b) => b.seat));
  let seat = 1;
  while (taken.has(seat)) seat += 1;
  return seat;
}
