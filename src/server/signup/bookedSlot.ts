import type { BookingId, SlotId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import type { Reader } from '@/data/database';
import { sheetOfBooking, sheetOfSlot } from '@/data/signup/sheets';
import type { SignedIn } from '../session/session';

export type Booked = Readonly<{ sheet: Sheet; slot: Slot; booking: Booking }>;

/** Whether somebody runs a sheet: they teach every course it is for. */
export const runs = (actor: SignedIn, sheet: Sheet): boolean =>
  sheet.audience.every((part) => isStaffOf(actor.viewer, part.course));

/** A booking with its time and sheet. */
export async function bookedSlot(reader: Reader, id: BookingId): Promise<Booked | undefined> {
  const sheet = await sheetOfBooking(reader, id);
  const slot = sheet?.slots.find((s) => s.bookings.some((b) => b.id === id));
  const booking = slot?.bookings.find((b) => b.id === id);
  return sheet && slot && booking ? { sheet, slot, booking } : undefined;
}

/** A time of a sheet that the actor runs. */
export async function ownSlot(
  reader: Reader,
  actor: SignedIn,
  id: SlotId,
): Promise<Outcome<Omit<Booked, 'booking'>>> {
  const sheet = await sheetOfSlot(reader, id);
  const slot = sheet?.slots.find((s) => s.id === id);
  return sheet && slot && runs(actor, sheet) ? done({ sheet, slot }) : refused('notFound');
}
