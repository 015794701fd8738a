import type { BookingId, SlotId } from '@/core/ids';
import type { Act } from '@/core/may/acts';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import type { Reader } from '@/data/reader';
import { sheetOfBooking, sheetOfSlot } from '@/data/signup/sheets';
import type { SignedIn } from '../session/session';

export type Booked = Readonly<{ sheet: Sheet; slot: Slot; booking: Booking }>;

/** Whether somebody may do something with a sheet. An assistant holds hours of their own: where they are among the hosts. */
export function runs(actor: SignedIn, { audience, hosts }: Sheet, act: Act = 'changeSheet'): boolean {
  if (!may(actor, act, { parts: audience }).ok) return false;
  const assists = audience.some(({ course }) => actor.viewer.helps.get(course)?.role === 'assistant');
  return !assists || hosts.some(({ id }) => id === actor.person.id);
}

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
  act?: Act,
): Promise<Outcome<Omit<Booked, 'booking'>>> {
  const sheet = await sheetOfSlot(reader, id);
  const slot = sheet?.slots.find((s) => s.id === id);
  return sheet && slot && runs(actor, sheet, act) ? done({ sheet, slot }) : refused('notFound');
}
