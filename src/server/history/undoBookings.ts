import type { CourseId, PersonId, SlotId } from '@/core/ids';
import type { Refused } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { decideBooking, decideGiveBack, decideSeat } from '@/core/signup/decideBooking';
import { seenSheet } from '@/core/signup/seenSheet';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import type { HistoryRecord } from '@/data/history/undo';
import { viewerOf } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Rows } from '@/data/rows';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import type { Change } from '@/data/history/change';
import { sheetOfSlot } from '@/data/signup/sheets';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { grown, writeOfBooking } from '../signup/bookingLetters';

type BookingRow = Rows['bookings'];
/** Where a booking is, and where undoing would put it; undefined: nowhere. */
type Step = Readonly<{ id: string; person: PersonId; from?: SlotId; to?: SlotId }>;

/** What undoing an act does to bookings, each once, however often the act wrote it. */
function stepsOf({ changes }: HistoryRecord): Step[] {
  const steps = new Map<string, Step>();
  for (const { table, id, before, after } of changes) {
    if (table !== 'bookings') continue;
    const [was, is] = [before, after] as [unknown, unknown] as [BookingRow | null, BookingRow | null];
    const known = steps.get(id);
    const to = known ? known.to : (was?.slot_id as SlotId | undefined);
    steps.set(id, {
      id,
      person: (is ?? was)!.person_id as PersonId,
      from: is?.slot_id as SlotId | undefined,
      to,
    });
  }
  return [...steps.values()].filter(({ from, to }) => from !== to);
}

/**
 * Why an act on taken times cannot be undone by this person now. Whoever gets a time by it has to be allowed to take it, as
 * things stand; whoever loses one, to give it back. Staff are bound by seats alone, as when they book for a student.
 */
export async function refusalOfBookings(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  record: HistoryRecord,
): Promise<Refused | undefined> {
  const steps = stepsOf(record);
  if (steps.length === 0) return undefined;
  const now = pembit.now();
  const { weekStart } = await schoolSettings(reader);
  const returning = new Set(record.changes.flatMap(({ table, id, before, after }) => (table === 'slots' && before && !after ? [id] : []))); // prettier-ignore
  // Whoever comes back to the course by the same undoing comes back to its sheets.
  const comesBack = new Set(record.changes.flatMap(({ table, before }) => (table === 'roster' && before ? [before.person_id] : []))); // prettier-ignore
  for (const { person, from, to } of steps) {
    const own = person === actor.person.id;
    const viewer =
      to === undefined || comesBack.has(person) ? undefined : await viewerOf(reader, person, now);
    const sheet = (from && (await sheetOfSlot(reader, from))) ?? (to && (await sheetOfSlot(reader, to)));
    if (to !== undefined && returning.has(to)) {
      // A time that comes back with the booking is as free as it was; whoever has left the course gets none.
      if (viewer && !record.courses.some((course) => viewer.memberOf.has(course as CourseId)))
        return refused('undoNotYours');
      continue;
    }
    if (!sheet) continue;
    const zone = requireZone(sheet.tzid);
    const left = sheet.slots.find(({ id }) => id === from);
    const stuck = left && own ? decideGiveBack(sheet, left, { now, zone }) : undefined;
    if (stuck) return refused(stuck);
    if (to === undefined) continue;
    const taken = sheet.slots.find(({ id }) => id === to);
    const seen = viewer && seenSheet(viewer, sheet, now);
    if (!taken || (viewer && (!seen || seen.asStaff))) return refused('undoNotYours');
    const decision = own
      ? decideBooking(sheet, taken, { person, now, zone, weekStart, instead: left })
      : decideSeat(taken, { person, now });
    if (!decision.ok) return refused(decision.reason);
  }
  return undefined;
}

/** A time as whoever has it reads of it in a letter. */
type Held = Readonly<{ sheet: Sheet; slot: Slot; booking: Booking }>;

async function heldAt(reader: Reader, slotId: SlotId | undefined, id: string): Promise<Held | undefined> {
  const sheet = slotId && (await sheetOfSlot(reader, slotId));
  const slot = sheet?.slots.find((each) => each.id === slotId);
  const booking = slot?.bookings.find((each) => each.id === id);
  return sheet && slot && booking ? { sheet, slot, booking } : undefined;
}

/** The bookings that undoing an act will change, as they stand; what is returned writes to their owners afterwards. */
export async function lettersOfBookings(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  record: HistoryRecord,
): Promise<() => Promise<void>> {
  const steps = stepsOf(record);
  const before = new Map<string, Held | undefined>();
  for (const { id, from } of steps) before.set(id, await heldAt(change, from, id));
  return async () => {
    for (const { id, to } of steps) {
      const [was, now] = [before.get(id), await heldAt(change, to, id)];
      if (now)
        await writeOfBooking(pembit, change, actor, {
          ...now,
          ...(was ? { kind: 'changed', was: was.slot.interval } : { kind: 'taken' }),
        });
      else if (was)
        await writeOfBooking(pembit, change, actor, {
          ...was,
          kind: 'cancelled',
          booking: grown(was.booking, pembit.now()),
        });
    }
  };
}
