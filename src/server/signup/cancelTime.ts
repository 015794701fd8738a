import type { SlotId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { mailTexts } from '@/core/texts/mail';
import { momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { removeBooking, removeSlot, sheetOfSlot } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Takes a time off a sheet. Whoever had taken it is told by mail. */
export function cancelTime(pembit: Pembit, actor: SignedIn, id: SlotId): Promise<Outcome<{ told: number }>> {
  return perform(pembit, actor, 'cancelTime', async (change) => {
    const sheet = await sheetOfSlot(change, id);
    const slot = sheet?.slots.find((s) => s.id === id);
    if (!sheet || !slot || !sheet.audience.every((part) => isStaffOf(actor.viewer, part.course)))
      return refused('notFound');
    const { locale } = await schoolSettings(change);
    const when = momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale);
    for (const booking of slot.bookings) {
      const person = await personById(change, booking.person);
      await removeBooking(change, sheet, booking);
      if (!person) continue;
      await queueLetters(
        change,
        [
          {
            to: person.email,
            subject: mailTexts.timeCancelledSubject(sheet.title, when),
            text: mailTexts.timeCancelled(
              person.name,
              sheet.title,
              when,
              actor.person.name,
              `${pembit.config.baseUrl}/sign-up`,
            ),
            sender: actor.person.id,
          },
        ],
        change.nowMs,
      );
    }
    await removeSlot(change, sheet, id);
    change.summarise(historyTexts.cancelledTime(when));
    return done({ told: slot.bookings.length });
  });
}
