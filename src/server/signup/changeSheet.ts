import type { SheetId } from '@/core/ids';
import { Temporal } from 'temporal-polyfill';
import type { Act } from '@/core/may/acts';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet, Slot } from '@/core/signup/sheet';
import type { RetimeInput, SheetFactsInput } from '@/core/signup/sheetInput';
import { historyTexts } from '@/core/texts/history';
import type { Reader } from '@/data/reader';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { insertSlots, removeSlot, replaceSheetFacts, replaceSlot, sheetById } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { runs } from './bookedSlot';
import { slotWords, writeOfBooking } from './bookingLetters';
import { takeOff } from './cancelTimes';
import { giveMissingRooms } from './rooms';
import { sheetFacts, slotFrom, timesFor } from './offerTimes';

/** A sheet with which the actor may do something. */
export async function ownSheet(
  reader: Reader,
  actor: SignedIn,
  id: SheetId,
  act?: Act,
): Promise<Outcome<Sheet>> {
  const sheet = await sheetById(reader, id);
  return sheet && runs(actor, sheet, act) ? done(sheet) : refused('notFound');
}

const isComing = ({ interval }: Slot, now: Temporal.Instant) =>
  Temporal.Instant.compare(interval.start, now) > 0;

/** Changes what a sheet is called, for whom, where one meets and by which rules. Who has a time learns of another place or link. */
export async function changeSheet(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  input: SheetFactsInput & Readonly<{ offered: boolean }>,
): Promise<Outcome<{ title: string; told: number }>> {
  const outcome = await perform(pembit, actor, 'changeSheet', async (change) => {
    const found = await ownSheet(change, actor, id);
    if (!found.ok) return found;
    const facts = await sheetFacts(change, actor, input);
    if (!facts.ok) return facts;
    const before = found.value;
    const now = pembit.now();
    const asked = { ...before, ...facts.value, offered: input.offered };
    const after = await replaceSheetFacts(change, asked, before);
    // Nobody loses a seat: a time keeps as many as are taken.
    for (const slot of before.slots)
      if (isComing(slot, now) && slot.seats !== input.seats)
        await replaceSlot(change, after, { ...slot, seats: Math.max(input.seats, slot.bookings.length) });
    const matters =
      before.title !== after.title ||
      before.place !== after.place ||
      before.meetingLink !== after.meetingLink;
    let told = 0;
    for (const slot of matters ? before.slots.filter((s) => isComing(s, now)) : [])
      for (const booking of slot.bookings) {
        await writeOfBooking(pembit, change, actor, { kind: 'changed', sheet: after, slot, booking });
        told += 1;
      }
    change.summarise(historyTexts.changed({ title: after.title }));
    return done({ title: after.title, told });
  });
  if (outcome.ok) await giveMissingRooms(pembit);
  return outcome;
}

type Retiming = Readonly<{
  sheet: Sheet;
  stay: readonly Slot[];
  gone: readonly Slot[];
  /** Taken times that are not in the new offering. */
  others: readonly Slot[];
  fresh: readonly Slot[];
}>;

async function retiming(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  id: SheetId,
  { offering }: RetimeInput,
): Promise<Outcome<Retiming>> {
  const found = await ownSheet(reader, actor, id);
  if (!found.ok) return found;
  const sheet = found.value;
  const { audience, tzid } = sheet;
  const times = await timesFor(pembit, reader, actor, { offering, audience, tzid, otherThan: id });
  if (!times.ok) return times;
  const now = pembit.now();
  const key = ({ start, end }: Slot['interval']) => `${start.epochMilliseconds} ${end.epochMilliseconds}`;
  const wanted = new Set(times.value.map((time) => key(time.interval)));
  const coming = sheet.slots.filter((slot) => isComing(slot, now));
  const stay = coming.filter((slot) => wanted.has(key(slot.interval)));
  const others = coming.filter((slot) => !wanted.has(key(slot.interval)) && slot.bookings.length > 0);
  const gone = coming.filter((slot) => !wanted.has(key(slot.interval)) && slot.bookings.length === 0);
  const there = new Set(stay.map((slot) => key(slot.interval)));
  const seats = coming[0]?.seats ?? sheet.slots[0]?.seats ?? 1;
  const host = sheet.rules.together ? undefined : actor.person.id;
  const fresh = times.value
    .filter((time) => !there.has(key(time.interval)))
    .map(({ interval }) => slotFrom(interval, seats, host));
  return done({ sheet, stay, gone, others, fresh });
}

/** A new time that would lie over a taken one which is kept. */
const liesOver = (fresh: Slot, kept: readonly Slot[]) =>
  kept.some(
    (slot) =>
      Temporal.Instant.compare(fresh.interval.start, slot.interval.end) < 0 &&
      Temporal.Instant.compare(slot.interval.start, fresh.interval.end) < 0,
  );

export type RetimePreview = Readonly<{
  stay: number;
  added: number;
  removed: number;
  affected: readonly Readonly<{ name: string; when: string }>[];
}>;

/** What other times would do to those who have one; nothing is saved. */
export async function previewRetime(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  input: RetimeInput,
): Promise<Outcome<RetimePreview>> {
  const found = await retiming(pembit, pembit, actor, id, input);
  if (!found.ok) return found;
  const { sheet, stay, gone, others, fresh } = found.value;
  const { locale } = await schoolSettings(pembit);
  const kept = input.others === 'keep' ? others : [];
  return done({
    stay: stay.length,
    added: fresh.filter((slot) => !liesOver(slot, kept)).length,
    removed: gone.length,
    affected: others.flatMap((slot) =>
      slot.bookings.map((booking) => ({
        name: booking.personName,
        when: slotWords(sheet, slot.interval, locale),
      })),
    ),
  });
}

/**
 * Gives a sheet other times: those that are in both stay, with whoever has them; taken ones that are not are kept as they are
 * or cancelled with a message.
 */
export function retime(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  input: RetimeInput,
): Promise<Outcome<{ added: number; removed: number; told: number }>> {
  return perform(pembit, actor, 'retime', async (change) => {
    const found = await retiming(pembit, change, actor, id, input);
    if (!found.ok) return found;
    const { sheet, stay, gone, others, fresh } = found.value;
    const kept = input.others === 'keep' ? others : [];
    const added = fresh.filter((slot) => !liesOver(slot, kept));
    if (stay.length + added.length + kept.length === 0) return refused('nothingToOffer');
    for (const slot of gone) await removeSlot(change, sheet, slot.id);
    const cancelled = input.others === 'cancel' ? others : [];
    for (const slot of cancelled)
      await takeOff(pembit, change, actor, { sheet, slot, message: input.message });
    await insertSlots(change, sheet, added);
    change.summarise(historyTexts.retimed({ title: sheet.title }));
    const told = cancelled.reduce((sum, slot) => sum + slot.bookings.length, 0);
    return done({ added: added.length, removed: gone.length + cancelled.length, told });
  });
}

/** Takes a whole sheet away, with its times; whoever had one still to come is told. */
export function deleteSheet(
  pembit: Pembit,
  actor: SignedIn,
  id: SheetId,
  message: string,
): Promise<Outcome<{ title: string; told: number }>> {
  return perform(pembit, actor, 'deleteSheet', async (change) => {
    const found = await ownSheet(change, actor, id);
    if (!found.ok) return found;
    const sheet = found.value;
    const now = pembit.now();
    const coming = sheet.slots.filter((slot) => isComing(slot, now));
    for (const slot of coming) await takeOff(pembit, change, actor, { sheet, slot, message });
    // What is past stays as it was, and is offered to nobody.
    await replaceSheetFacts(change, { ...sheet, offered: false }, sheet);
    change.summarise(historyTexts.closedSheet({ title: sheet.title }));
    return done({ title: sheet.title, told: coming.reduce((sum, slot) => sum + slot.bookings.length, 0) });
  });
}
