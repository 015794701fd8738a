import type { BookingId, SlotId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { decideBooking, decideGiveBack } from '@/core/signup/decideBooking';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import type { Change } from '@/data/history/change';
import { updateBooking } from '@/data/signup/bookings';
import { removeWaiting } from '@/data/signup/waiting';
import { keptSettings } from '../frame/keptSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { bookedSlot } from './bookedSlot';
import { grown, slotWords, writeOfBooking } from './bookingLetters';
import { offerFreedSeats } from './freedSeat';
import { sheetLock } from './sheetIds';

/**
 * A student exchanges a time for another one of the same sheet: one step, so that the old one is lost only once the new one is
 * theirs. The booking keeps its UID, its note and its meeting.
 */
export async function moveBooking(
  pembit: Pembit,
  actor: SignedIn,
  id: BookingId,
  to: SlotId,
): Promise<Outcome<{ when: string }>> {
  const move = async (change: Change): Promise<Outcome<{ when: string }>> => {
    const found = await bookedSlot(change, id);
    if (found?.booking.person !== actor.person.id) return refused('notFound');
    const { sheet, slot: from, booking } = found;
    const target = sheet.slots.find((slot) => slot.id === to);
    if (!target) return refused('notFound');
    const now = pembit.now();
    const zone = requireZone(sheet.tzid);
    const stuck = decideGiveBack(sheet, from, { now, zone });
    if (stuck) return refused(stuck);
    const { weekStart, locale } = await keptSettings(pembit);
    const decision = decideBooking(sheet, target, {
      person: actor.person.id,
      now,
      zone,
      weekStart,
      instead: from,
    });
    if (!decision.ok) return refused(decision.reason);
    const moved = { ...grown(booking, now), seat: decision.seat };
    await updateBooking(change, sheet, booking, {
      slot_id: to,
      seat: moved.seat,
      sequence: moved.sequence,
      modified_at: change.nowMs,
      reminded_at: null,
    });
    if (target.waiting.some(({ person }) => person === actor.person.id))
      await removeWaiting(change, sheet, to, actor.person.id);
    await writeOfBooking(pembit, change, actor, {
      kind: 'changed',
      sheet,
      slot: target,
      booking: moved,
      was: from.interval,
    });
    await offerFreedSeats(pembit, change, from.id);
    const when = slotWords(sheet, target.interval, locale);
    change.summarise(historyTexts.movedTime({ when }));
    return done({ when });
  };
  return perform(pembit, actor, 'moveBooking', move, { locks: await sheetLock(pembit, { booking: id }) });
}
