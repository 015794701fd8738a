import type { SheetId, SlotId } from '@/core/ids';
import { Temporal } from 'temporal-polyfill';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet, Slot } from '@/core/signup/sheet';
import { historyTexts } from '@/core/texts/history';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Change } from '@/data/history/change';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { removeBooking } from '@/data/signup/bookings';
import { removeSlot, sheetById } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { ownSlot, runs } from './bookedSlot';
import { grown, slotWords, writeOfBooking } from './bookingLetters';
import { withdrawRoom } from './rooms';

/** Takes a time off a sheet; whoever had it is told, with what its staff say to it. */
export async function takeOff(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { sheet, slot, message }: Readonly<{ sheet: Sheet; slot: Slot; message: string }>,
): Promise<void> {
  for (const booking of slot.bookings) {
    await withdrawRoom(change, booking);
    await removeBooking(change, sheet, booking);
    const gone = grown(booking, pembit.now());
    await writeOfBooking(pembit, change, actor, { kind: 'cancelled', sheet, slot, booking: gone, message });
  }
  await removeSlot(change, sheet, slot.id);
}

/** Takes a single time off its sheet. */
export function cancelTime(
  pembit: Pembit,
  actor: SignedIn,
  id: SlotId,
  message = '',
): Promise<Outcome<{ told: number }>> {
  return perform(pembit, actor, 'cancelTime', async (change) => {
    const found = await ownSlot(change, actor, id, 'cancelTime');
    if (!found.ok) return found;
    const { sheet, slot } = found.value;
    const { locale } = await schoolSettings(change);
    await takeOff(pembit, change, actor, { sheet, slot, message });
    change.summarise(historyTexts.cancelledTime({ when: slotWords(sheet, slot.interval, locale) }));
    return done({ told: slot.bookings.length });
  });
}

/** Cancels the times still to come between two days, both included; without a last day, the rest of them. */
export function cancelDays(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  { from, to, message }: Readonly<{ from: Temporal.PlainDate; to?: Temporal.PlainDate; message: string }>,
): Promise<Outcome<{ cancelled: number; told: number }>> {
  return perform(pembit, actor, 'cancelDays', async (change) => {
    const sheet = await sheetById(change, id);
    if (!sheet || !runs(actor, sheet, 'cancelDays')) return refused('notFound');
    const zone = requireZone(sheet.tzid);
    const now = pembit.now();
    const slots = sheet.slots.filter(({ interval }) => {
      const day = toWall(zone, interval.start).toPlainDate();
      const within =
        Temporal.PlainDate.compare(day, from) >= 0 && (!to || Temporal.PlainDate.compare(day, to) <= 0);
      return within && Temporal.Instant.compare(interval.start, now) > 0;
    });
    if (slots.length === 0) return refused('notFound');
    for (const slot of slots) await takeOff(pembit, change, actor, { sheet, slot, message });
    change.summarise(historyTexts.cancelledTimes({ n: slots.length }));
    const told = slots.reduce((sum, slot) => sum + slot.bookings.length, 0);
    return done({ cancelled: slots.length, told });
  });
}
