import { Temporal } from 'temporal-polyfill';
import type { BookingId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { removeBooking, sheetOfBooking } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { slotLabel } from './takeTime';

/** A student gives a time back, until it begins; it is free for others at once. */
export function giveBack(pembit: Pembit, actor: SignedIn, id: BookingId): Promise<Outcome<{ when: string }>> {
  return perform(pembit, actor, 'giveBack', async (change) => {
    const sheet = await sheetOfBooking(change, id);
    const slot = sheet?.slots.find((s) => s.bookings.some((b) => b.id === id));
    const booking = slot?.bookings.find((b) => b.id === id);
    if (!sheet || !slot || booking?.person !== actor.person.id) return refused('notFound');
    if (Temporal.Instant.compare(slot.interval.start, pembit.now()) <= 0) return refused('timeBegun');
    await removeBooking(change, sheet, booking);
    const when = slotLabel(sheet, slot);
    change.summarise(historyTexts.gaveBack(when));
    return done({ when });
  });
}
