import type { BookingId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { decideGiveBack } from '@/core/signup/decideBooking';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import type { Change } from '@/data/history/change';
import { removeBooking } from '@/data/signup/bookings';
import { keptSettings } from '../frame/keptSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { bookedSlot } from './bookedSlot';
import { grown, slotWords, writeOfBooking } from './bookingLetters';
import { offerFreedSeats } from './freedSeat';
import { withdrawRoom } from './rooms';
import { sheetLock } from './sheetIds';

/** A student gives a time back, as long as the sheet allows; it is free for others, or for who waits, at once. */
export async function giveBack(
  pembit: Pembit,
  actor: SignedIn,
  id: BookingId,
): Promise<Outcome<{ when: string }>> {
  const give = async (change: Change): Promise<Outcome<{ when: string }>> => {
    const found = await bookedSlot(change, id);
    if (found?.booking.person !== actor.person.id) return refused('notFound');
    const { sheet, slot, booking } = found;
    const now = pembit.now();
    const reason = decideGiveBack(sheet, slot, { now, zone: requireZone(sheet.tzid) });
    if (reason) return refused(reason);
    await withdrawRoom(change, booking);
    await removeBooking(change, sheet, booking);
    await writeOfBooking(pembit, change, actor, {
      kind: 'cancelled',
      sheet,
      slot,
      booking: grown(booking, now),
    });
    await offerFreedSeats(pembit, change, slot.id);
    const { locale } = await keptSettings(pembit);
    const when = slotWords(sheet, slot.interval, locale);
    change.summarise(historyTexts.gaveBack({ when }));
    return done({ when });
  };
  return perform(pembit, actor, 'giveBack', give, { locks: await sheetLock(pembit, { booking: id }) });
}
