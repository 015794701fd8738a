import { randomUUID } from 'node:crypto';
import type { BookingId, SlotId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { decideBooking } from '@/core/signup/decideBooking';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import { seenSheet } from '@/core/signup/seenSheet';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { insertBooking, sheetOfSlot } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

export const slotLabel = (sheet: Sheet, slot: Slot): string =>
  momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start));

/** A student takes a time. Of two who come at once, the later one waits for its answer. */
export function takeTime(
  pembit: Pembit,
  actor: SignedIn,
  id: SlotId,
  note: string,
): Promise<Outcome<{ booking: Booking; sheet: Sheet }>> {
  return perform(pembit, actor, 'takeTime', async (change) => {
    const sheet = await sheetOfSlot(change, id);
    const slot = sheet?.slots.find((s) => s.id === id);
    const seen = sheet && seenSheet(actor.viewer, sheet);
    // Staff see the sheet, but do not sit on both sides of the table.
    if (!sheet || !slot || !seen || seen.asStaff) return refused('notFound');
    const now = pembit.now();
    const decision = decideBooking(sheet, slot, actor.person.id, now);
    if (!decision.ok) return refused(decision.reason);
    const booking: Booking = {
      id: randomUUID() as BookingId,
      uid: randomUUID(),
      seat: decision.seat,
      person: actor.person.id,
      personName: actor.person.name,
      note,
      sequence: 0,
      created: now,
      lastModified: now,
    };
    await insertBooking(change, sheet, id, booking);
    change.summarise(historyTexts.took(slotLabel(sheet, slot)));
    return done({ booking, sheet });
  });
}
