import type { BookingId, SheetId } from '@/core/ids';
import { Temporal } from 'temporal-polyfill';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { bookingMailTexts } from '@/core/texts/bookingMail';
import { historyTexts } from '@/core/texts/history';
import { recordChange } from '@/data/history/change';
import type { Letter } from '@/data/mail/outbox';
import { refTo } from '@/data/history/personRefs';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { bookingsToRemind, updateBooking } from '@/data/signup/bookings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { bookedSlot, runs } from './bookedSlot';
import { slotWords, writeOfBooking } from './bookingLetters';
import { ownSheet } from './changeSheet';

/** Notes whether somebody came; `undefined` takes the note away. */
export function markCame(
  pembit: Pembit,
  actor: SignedIn,
  id: BookingId,
  came: boolean | undefined,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'markCame', async (change) => {
    const found = await bookedSlot(change, id);
    if (!found || !runs(actor, found.sheet, 'markCame')) return refused('notFound');
    const { sheet, booking } = found;
    await updateBooking(change, sheet, booking, { came: came === undefined ? null : came ? 1 : 0 });
    change.summarise(historyTexts.markedCame({ name: refTo(booking.person) }));
    return done({ name: booking.personName });
  });
}

/** Writes to some of those who have a time still to come on a sheet, or to all of them. */
export async function messageBooked(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  { bookings, text }: Readonly<{ bookings?: readonly BookingId[]; text: string }>,
): Promise<Outcome<{ told: number }>> {
  const found = await ownSheet(pembit, actor, id, 'writeToThoseWhoCome');
  if (!found.ok) return found;
  const sheet = found.value;
  const now = pembit.now();
  const { locale } = await schoolSettings(pembit);
  const wanted = bookings && new Set(bookings);
  const letters: Letter[] = [];
  for (const slot of sheet.slots) {
    if (Temporal.Instant.compare(slot.interval.end, now) <= 0) continue;
    const when = slotWords(sheet, slot.interval, locale);
    for (const booking of slot.bookings) {
      const person = !wanted || wanted.has(booking.id) ? await personById(pembit, booking.person) : undefined;
      if (person)
        letters.push({
          to: person.email,
          subject: bookingMailTexts.messageSubject({ title: sheet.title, when }),
          text: bookingMailTexts.message({ name: person.name, by: actor.person.name, when, text }),
          sender: actor.person.id,
        });
    }
  }
  if (letters.length === 0) return refused('nobodyToTell');
  await pembit.queue.write((writer) => queueLetters(writer, letters, now.epochMilliseconds), { aside: true });
  return done({ told: letters.length });
}

/** How long before a time its reminder goes out. */
const REMIND_HOURS = 24;

/** Reminds those who have a time within a day; whoever took it within that day has just been written to. */
export async function remind(pembit: Pembit): Promise<void> {
  const nowMs = pembit.now().epochMilliseconds;
  const soon = await bookingsToRemind(pembit, nowMs, nowMs + REMIND_HOURS * 3_600_000);
  if (soon.length === 0) return;
  await recordChange(
    pembit.queue,
    { act: 'remind', summary: historyTexts.reminded({ n: soon.length }), actor: null, nowMs },
    async (change) => {
      for (const id of soon) {
        const found = await bookedSlot(change, id);
        if (!found) continue;
        const { sheet, slot, booking } = found;
        await updateBooking(change, sheet, booking, { reminded_at: nowMs });
        const taken = slot.interval.start.epochMilliseconds - booking.created.epochMilliseconds;
        if (taken > REMIND_HOURS * 3_600_000)
          await writeOfBooking(pembit, change, undefined, { kind: 'reminder', sheet, slot, booking });
      }
    },
  );
}
