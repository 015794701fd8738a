import { randomUUID } from 'node:crypto';
import type { SheetId, SlotId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet } from '@/core/signup/sheet';
import type { SheetInput } from '@/core/signup/sheetInput';
import { timesToOffer } from '@/core/signup/timesToOffer';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { insertSheet } from '@/data/signup/sheets';
import { termOfAudience } from '../entries/termOfAudience';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** An instructor offers stretches of time, cut into times that students take. */
export function offerTimes(pembit: Pembit, actor: SignedIn, input: SheetInput): Promise<Outcome<Sheet>> {
  return perform(pembit, actor, 'offerTimes', async (change) => {
    const frame = await termOfAudience(change, actor.viewer, input.audience);
    if (!frame.ok) return frame;
    const now = pembit.now();
    const { tzid } = frame.value.term;
    const offer = timesToOffer(
      input.stretches,
      { length: input.length, gap: input.gap },
      requireZone(tzid),
      now,
    );
    if (!offer.ok) return refused(offer.reason);
    if (offer.times.length === 0) return refused('nothingToOffer');
    const sheet: Sheet = {
      id: randomUUID() as SheetId,
      uid: randomUUID(),
      title: input.title,
      audience: input.audience,
      hosts: [{ id: actor.person.id, name: actor.person.name }],
      place: input.place,
      meetingLink: input.meetingLink,
      timesPerStudent: input.timesPerStudent,
      offered: input.offered,
      tzid,
      sequence: 0,
      created: now,
      lastModified: now,
      slots: offer.times.map((interval) => ({
        id: randomUUID() as SlotId,
        interval,
        seats: input.seats,
        bookings: [],
      })),
    };
    await insertSheet(change, sheet);
    change.summarise(
      sheet.offered
        ? historyTexts.offered(sheet.slots.length, sheet.title)
        : historyTexts.draftSheet(sheet.title),
    );
    return done(sheet);
  });
}
