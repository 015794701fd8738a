import { Temporal } from 'temporal-polyfill';
import type { SlotId } from '@/core/ids';
import { noticeEnds, untilWords } from '@/core/signup/noticeOf';
import type { Sheet } from '@/core/signup/sheet';
import { bookingMailTexts } from '@/core/texts/bookingMail';
import { historyTexts } from '@/core/texts/history';
import { requireZone } from '@/core/time/zoneData';
import { zoneWords } from '@/core/time/zoneWords';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { sheetOfSlot } from '@/data/signup/sheets';
import { expiredOffers, offerTo, removeWaiting } from '@/data/signup/waiting';
import type { Pembit } from '../pembit';
import { readingOf } from '../students/reading';
import { slotWordsFor } from './bookingLetters';

/** How long an offer to somebody who waits holds, unless the time can be taken only for less. */
const OFFER_HOURS = 4;

/**
 * Offers the seats of a time that are free to those who wait, the longest first: each offer keeps a seat until its deadline,
 * and is written by mail. Offers that have run out end before.
 */
export async function offerFreedSeats(pembit: Pembit, change: Change, id: SlotId): Promise<void> {
  const now = pembit.now();
  const before = (at: Temporal.Instant) => Temporal.Instant.compare(at, now) <= 0;
  let sheet = await sheetOfSlot(change, id);
  const expired =
    slotIn(sheet, id)?.waiting.filter(({ offeredUntil }) => offeredUntil && before(offeredUntil)) ?? [];
  for (const { person } of expired) await removeWaiting(change, sheet!, id, person);
  if (expired.length > 0) sheet = await sheetOfSlot(change, id);
  const slot = slotIn(sheet, id);
  if (!sheet || !slot) return;
  const zone = requireZone(sheet.tzid);
  const last = noticeEnds(sheet.rules.take, slot.interval.start, zone);
  if (before(last)) return;
  const wanted = now.add({ hours: OFFER_HOURS });
  const until = Temporal.Instant.compare(wanted, last) < 0 ? wanted : last;
  const holding = slot.waiting.filter(({ offeredUntil }) => offeredUntil);
  const free = slot.seats - slot.bookings.length - holding.length;
  const next = slot.waiting.filter(({ offeredUntil }) => !offeredUntil).slice(0, Math.max(0, free));
  for (const { person: who } of next) {
    await offerTo(change, sheet, id, { person: who, until });
    const person = await personById(change, who);
    if (!person) continue;
    const reading = await readingOf(change, who);
    const when = slotWordsFor(sheet, slot.interval, reading);
    const link = `${pembit.config.baseUrl}/s/${sheet.id}`;
    const letter = {
      to: person.email,
      subject: bookingMailTexts.offerSubject({ title: sheet.title, when }),
      text: `${bookingMailTexts.offer({ name: person.name, title: sheet.title, when, until: untilWords(until, zone, reading.locale), link })}\n${bookingMailTexts.zone({ words: zoneWords(sheet.tzid) })}\n`, // prettier-ignore
      sender: sheet.hosts[0]?.id ?? null,
    };
    await queueLetters(change, [letter], change.nowMs);
  }
}

const slotIn = (sheet: Sheet | undefined, id: SlotId) => sheet?.slots.find((slot) => slot.id === id);

/** Passes on what was offered and not taken in time. */
export async function passOnOffers(pembit: Pembit): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  for (const slot of await expiredOffers(pembit, nowMs))
    await recordChange(
      pembit.queue,
      { act: 'passOnOffers', summary: historyTexts.passedOn, actor: null, nowMs },
      (change) => offerFreedSeats(pembit, change, slot),
    );
}
