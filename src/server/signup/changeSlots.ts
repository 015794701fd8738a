import { isDeepStrictEqual } from 'node:util';
import { Temporal } from 'temporal-polyfill';
import type { PersonId, SheetId, SlotId } from '@/core/ids';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet, Slot } from '@/core/signup/sheet';
import type { MeetsAt } from '@/core/signup/meetsAt';
import { meetsAt } from '@/core/signup/meetsAt';
import type { SlotInput } from '@/core/signup/sheetInput';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import type { Interval } from '@/core/time/interval';
import { overlaps } from '@/core/time/interval';
import { toInstant, toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { refTo } from '@/data/history/personRefs';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { updateBooking } from '@/data/signup/bookings';
import { insertSlots, replaceSlot } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { ownSlot } from './bookedSlot';
import { grown, slotWords, writeOfBooking } from './bookingLetters';
import { ownSheet } from './changeSheet';
import { slotFrom } from './offerTimes';

const intervalOf = ({ start, end }: SlotInput, tzid: string): Interval => ({
  start: toInstant(requireZone(tzid), start),
  end: toInstant(requireZone(tzid), end),
});

/** The place or link of its own that a time is given; what is absent stays as it was. */
const ownPlace = ({ place, meetingLink }: SlotInput): Partial<MeetsAt> => ({
  ...(place === undefined ? {} : { place }),
  ...(meetingLink === undefined ? {} : { meetingLink }),
});

function troubleWith(
  { slots }: Sheet,
  interval: Interval,
  now: Temporal.Instant,
  self?: SlotId,
): Refused | undefined {
  const bad = (message: string) => refused('badRequest', [{ field: 'start', message }]);
  if (Temporal.Instant.compare(interval.start, now) <= 0) return bad(signupTexts.errors.begun);
  return slots.some((slot) => slot.id !== self && overlaps(slot.interval, interval))
    ? bad(signupTexts.errors.overlaps)
    : undefined;
}

/** Adds a single time to a sheet. */
export function addSlot(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  input: SlotInput,
): Promise<Outcome<{ when: string }>> {
  return perform(pembit, actor, 'addSlot', async (change) => {
    const found = await ownSheet(change, actor, id);
    if (!found.ok) return found;
    const sheet = found.value;
    const interval = intervalOf(input, sheet.tzid);
    const trouble = troubleWith(sheet, interval, pembit.now());
    if (trouble) return trouble;
    await insertSlots(change, sheet, [
      {
        ...slotFrom(interval, input.seats, sheet.rules.together ? undefined : actor.person.id),
        ...ownPlace(input),
      },
    ]);
    const { locale } = await schoolSettings(change);
    const when = slotWords(sheet, interval, locale);
    change.summarise(historyTexts.addedTime({ when }));
    return done({ when });
  });
}

/** Gives a single time another beginning, end, number of seats or place. Whoever has it keeps it, and is told of another time or place. */
export function changeSlot(
  pembit: Pembit,
  actor: SignedIn,
  id: SlotId,
  input: SlotInput,
): Promise<Outcome<{ when: string }>> {
  return perform(pembit, actor, 'changeSlot', async (change) => {
    const found = await ownSlot(change, actor, id);
    if (!found.ok) return found;
    const { sheet, slot } = found.value;
    const interval = intervalOf(input, sheet.tzid);
    const now = pembit.now();
    const trouble = troubleWith(sheet, interval, now, id);
    if (trouble) return trouble;
    if (input.seats < slot.bookings.length)
      return refused('badRequest', [
        { field: 'seats', message: signupTexts.errors.fewerSeats({ taken: slot.bookings.length }) },
      ]);
    const after: Slot = { ...slot, interval, seats: input.seats, ...ownPlace(input) };
    await replaceSlot(change, sheet, after);
    const moved = !slot.interval.start.equals(interval.start) || !slot.interval.end.equals(interval.end);
    const elsewhere = !isDeepStrictEqual(meetsAt(sheet, slot), meetsAt(sheet, after));
    for (const booking of moved || elsewhere ? slot.bookings : []) {
      const later = grown(booking, now);
      await updateBooking(change, sheet, booking, { sequence: later.sequence, modified_at: change.nowMs });
      await writeOfBooking(pembit, change, actor, {
        kind: 'changed',
        sheet,
        slot: after,
        booking: later,
        ...(moved ? { was: slot.interval } : {}),
      });
    }
    const { locale } = await schoolSettings(change);
    const when = slotWords(sheet, interval, locale);
    change.summarise(historyTexts.changedTime({ when }));
    return done({ when });
  });
}

/** The times of a day become those of another of the sheet's hosts; who comes is told. */
export function takeOverDay(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  { date, host }: Readonly<{ date: Temporal.PlainDate; host: PersonId }>,
): Promise<Outcome<{ told: number }>> {
  return perform(pembit, actor, 'takeOverDay', async (change) => {
    const found = await ownSheet(change, actor, id);
    if (!found.ok) return found;
    const sheet = found.value;
    if (!sheet.hosts.some((one) => one.id === host))
      return refused('badRequest', [{ field: 'host', message: signupTexts.errors.notHost }]);
    const zone = requireZone(sheet.tzid);
    const now = pembit.now();
    const slots = sheet.slots.filter(
      ({ interval }) =>
        toWall(zone, interval.start).toPlainDate().equals(date) &&
        Temporal.Instant.compare(interval.start, now) > 0,
    );
    if (slots.length === 0) return refused('notFound');
    let told = 0;
    for (const slot of slots) {
      const after = { ...slot, host };
      await replaceSlot(change, sheet, after);
      for (const booking of slot.bookings) {
        const later = grown(booking, now);
        await updateBooking(change, sheet, booking, { sequence: later.sequence, modified_at: change.nowMs });
        await writeOfBooking(pembit, change, actor, { kind: 'changed', sheet, slot: after, booking: later });
        told += 1;
      }
    }
    change.summarise(historyTexts.tookOver({ name: refTo(host) }));
    return done({ told });
  });
}
