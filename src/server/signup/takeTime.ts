import { randomUUID } from 'node:crypto';
import type { BookingId, PersonId, SheetId, SlotId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { decideBooking, decideSeat } from '@/core/signup/decideBooking';
import { seenSheet } from '@/core/signup/seenSheet';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { requireZone } from '@/core/time/zoneData';
import type { Change } from '@/data/history/change';
import { personById, viewerOf } from '@/data/people/people';
import { insertBooking } from '@/data/signup/bookings';
import { sheetById, sheetOfSlot } from '@/data/signup/sheets';
import { removeWaiting } from '@/data/signup/waiting';
import { keptSettings } from '../frame/keptSettings';
import { perform } from '../history/perform';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { slotWords, writeOfBooking } from './bookingLetters';
import { runs } from './bookedSlot';
import { giveRoom } from './rooms';
import { sheetIdOf } from './sheetIds';

/** What somebody says when taking a time. */
export type TakingInput = Readonly<{ note?: string; answer?: string }>;
export type Taken = Readonly<{ booking: Booking; sheet: Sheet; slot: Slot }>;

/** What is wrong with the answer to a sheet's question. */
export function answerError({ rules: { question } }: Sheet, answer: string): Refused | undefined {
  if (!question) return undefined;
  const bad = (message: string) => refused('badRequest', [{ field: 'answer', message }]);
  if (answer === '') return bad(signupTexts.take.answerMissing);
  const known = question.choices.length === 0 || question.choices.includes(answer);
  return known ? undefined : bad(signupTexts.take.answerUnknown);
}

async function insertTaken(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  {
    sheet,
    slot,
    person,
    seat,
    input,
  }: Readonly<{
    sheet: Sheet;
    slot: Slot;
    person: Readonly<{ id: PersonId; name: string }>;
    seat: number;
    input: TakingInput;
  }>,
): Promise<Taken> {
  const now = pembit.now();
  const booking: Booking = {
    id: randomUUID() as BookingId,
    uid: randomUUID(),
    seat,
    person: person.id,
    personName: person.name,
    note: input.note ?? '',
    answer: input.answer ?? '',
    meetingLink: '',
    sequence: 0,
    created: now,
    lastModified: now,
  };
  await insertBooking(change, sheet, slot.id, booking);
  if (slot.waiting.some((one) => one.person === person.id))
    await removeWaiting(change, sheet, slot.id, person.id);
  await writeOfBooking(pembit, change, actor, { kind: 'taken', sheet, slot, booking });
  const { locale } = await keptSettings(pembit);
  change.summarise(historyTexts.took({ when: slotWords(sheet, slot.interval, locale) }));
  return { booking, sheet, slot };
}

const kept = keptReads<Sheet | undefined>(200);

/**
 * Whether a student may take a time of a sheet as things stand: the sheet and its time, and the seat, or why not. Within a change
 * it holds; without, it is what everybody can know.
 */
async function decide(
  pembit: Pembit,
  actor: SignedIn,
  { slot: id, sheet: of }: Readonly<{ slot: SlotId; sheet: SheetId }>,
  change?: Change,
) {
  const sheet = await (change ? sheetById(change, of) : kept(pembit, of, () => sheetById(pembit, of)));
  const { weekStart } = await keptSettings(pembit);
  const slot = sheet?.slots.find((s) => s.id === id);
  const now = pembit.now();
  const seen = sheet && seenSheet(actor.viewer, sheet, now);
  // Staff see the sheet, but do not sit on both sides of the table.
  if (!sheet || !slot || !seen || seen.asStaff) return refused('notFound');
  const zone = requireZone(sheet.tzid);
  const decision = decideBooking(sheet, slot, { person: actor.person.id, now, zone, weekStart });
  return decision.ok ? done({ sheet, slot, seat: decision.seat }) : refused(decision.reason);
}

/** A student takes a time. Of two who come at once, the later one waits for its answer. */
export async function takeTime(
  pembit: Pembit,
  actor: SignedIn,
  id: SlotId,
  input: TakingInput,
): Promise<Outcome<Taken>> {
  const of = await sheetIdOf(pembit, { slot: id });
  if (!of) return refused('notFound');
  const wanted = { slot: id, sheet: of };
  const asThingsStand = () => decide(pembit, actor, wanted);
  const isCrowded = pembit.queue.isBusy();
  // Whoever comes too late is told so without queueing behind those who are in time.
  if (isCrowded) {
    const before = await asThingsStand();
    if (!before.ok) return before;
  }
  const take = async (change: Change): Promise<Outcome<Taken>> => {
    const decided = await decide(pembit, actor, wanted, change);
    if (!decided.ok) return decided;
    const { sheet, slot, seat } = decided.value;
    const wrong = answerError(sheet, input.answer ?? '');
    if (wrong) return wrong;
    const { person } = actor;
    return done(await insertTaken(pembit, change, actor, { sheet, slot, person, seat, input }));
  };
  const outcome = await perform(pembit, actor, 'takeTime', take, {
    // And again when it is their turn: those before them may have taken it.
    first: isCrowded ? asThingsStand : undefined,
    locks: [`sheet:${of}`],
  });
  await giveRoomTo(pembit, outcome);
  return outcome;
}

/** A time that was taken gets a meeting of its own, where its sheet says so. */
async function giveRoomTo(pembit: Pembit, outcome: Outcome<Taken>): Promise<void> {
  if (outcome.ok && outcome.value.sheet.rules.privateMeetings)
    await giveRoom(pembit, outcome.value.booking.id);
}

/** Staff book a time for a student; their limits and notices do not hold then, seats do. */
export async function bookFor(
  pembit: Pembit,
  actor: SignedIn,
  { slot: id, person: who, note }: Readonly<{ slot: SlotId; person: PersonId; note: string }>,
): Promise<Outcome<Taken>> {
  const outcome = await perform(pembit, actor, 'bookFor', async (change): Promise<Outcome<Taken>> => {
    const sheet = await sheetOfSlot(change, id);
    const slot = sheet?.slots.find((s) => s.id === id);
    if (!sheet || !slot || !runs(actor, sheet, 'bookFor')) return refused('notFound');
    const now = pembit.now();
    const [person, viewer] = await Promise.all([personById(change, who), viewerOf(change, who, now)]);
    const seen = seenSheet(viewer, sheet, now);
    const mayCome = seen && !sheet.audience.some((part) => isStaffOf(viewer, part.course));
    if (!person || !mayCome)
      return refused('badRequest', [{ field: 'person', message: signupTexts.run.notForThem }]);
    const decision = decideSeat(slot, { person: who, now });
    if (!decision.ok) return refused(decision.reason);
    const input = { note };
    return done(
      await insertTaken(pembit, change, actor, { sheet, slot, person, seat: decision.seat, input }),
    );
  });
  await giveRoomTo(pembit, outcome);
  return outcome;
}
