import type { SlotId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { decideBooking, limitReached } from '@/core/signup/decideBooking';
import { seenSheet } from '@/core/signup/seenSheet';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { sheetOfSlot } from '@/data/signup/sheets';
import { insertWaiting, removeWaiting } from '@/data/signup/waiting';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { slotWords } from './bookingLetters';
import { offerFreedSeats } from './freedSeat';

/** A student waits for a time that is taken; when it becomes free it is offered to whoever has waited longest. */
export function waitFor(pembit: Pembit, actor: SignedIn, id: SlotId): Promise<Outcome<{ when: string }>> {
  return perform(pembit, actor, 'waitFor', async (change) => {
    const sheet = await sheetOfSlot(change, id);
    const slot = sheet?.slots.find((s) => s.id === id);
    const now = pembit.now();
    const seen = sheet && seenSheet(actor.viewer, sheet, now);
    if (!sheet || !slot || !seen || seen.asStaff || !sheet.rules.waitingList) return refused('notFound');
    const { weekStart, locale } = await schoolSettings(change);
    const asking = { person: actor.person.id, now, zone: requireZone(sheet.tzid), weekStart };
    const decision = decideBooking(sheet, slot, asking);
    if (decision.ok) return refused('nothingToWaitFor');
    if (decision.reason !== 'timeTaken') return refused(decision.reason);
    const limit = limitReached(sheet, slot, asking);
    if (limit) return refused(limit);
    if (slot.waiting.some(({ person }) => person === actor.person.id)) return refused('waitingAlready');
    await insertWaiting(change, sheet, id, actor.person.id);
    const when = slotWords(sheet, slot.interval, locale);
    change.summarise(historyTexts.waits({ when }));
    return done({ when });
  });
}

/** Ends the waiting; what was offered goes to the next. */
export function stopWaiting(pembit: Pembit, actor: SignedIn, id: SlotId): Promise<Outcome<null>> {
  return perform(pembit, actor, 'stopWaiting', async (change) => {
    const sheet = await sheetOfSlot(change, id);
    if (!sheet || !(await removeWaiting(change, sheet, id, actor.person.id))) return refused('notFound');
    await offerFreedSeats(pembit, change, id);
    change.summarise(historyTexts.waitsNoMore);
    return done(null);
  });
}
