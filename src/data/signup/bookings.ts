import type { BookingId, SlotId } from '@/core/ids';
import type { Booking, Sheet } from '@/core/signup/sheet';
import type { Reader } from '../reader';
import { select } from '../database';
import { contains } from '../dialect';
import { run } from '../statements';
import type { Change } from '../history/change';
import type { Rows } from '../rows';
import { scopesOf } from './sheetScopes';

/** Beside the history: one's taking back a time must not stand in the way of another's. */
async function noteUse(change: Change, sheet: string): Promise<void> {
  await run(
    change,
    `INSERT INTO sheet_uses (sheet_id, uses, used_at) VALUES (:sheet, 1, :nowMs)
     ON CONFLICT (sheet_id) DO UPDATE SET uses = sheet_uses.uses + 1, used_at = :nowMs`,
    { sheet, nowMs: change.nowMs },
  );
}

/** Notes for the sheets of some times that what is free changed, where undoing has put bookings back or taken them away. */
export async function noteUsesOf(change: Change, slots: readonly string[]): Promise<void> {
  if (slots.length === 0) return;
  const rows = await select<{ sheet_id: string }>(
    change,
    'SELECT DISTINCT sheet_id FROM slots WHERE id IN (:slots)',
    { slots: [...slots] },
  );
  for (const { sheet_id: sheet } of rows) await noteUse(change, sheet);
}

/** @throws UniqueConstraintError when the seat is taken after all. */
export async function insertBooking(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  booking: Booking,
): Promise<void> {
  await change.insert('bookings', [
    {
      id: booking.id,
      uid: booking.uid,
      slot_id: slot,
      seat: booking.seat,
      person_id: booking.person,
      note: booking.note,
      answer: booking.answer,
      meeting_link: booking.meetingLink,
      room_id: null,
      came: null,
      reminded_at: null,
      sequence: booking.sequence,
      created_at: booking.created.epochMilliseconds,
      modified_at: booking.lastModified.epochMilliseconds,
    },
  ]);
  await noteUse(change, sheet.id);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}

/** What is noted of a booking, and to which time it belongs. @throws UniqueConstraintError like `insertBooking`. */
export async function updateBooking(
  change: Change,
  sheet: Sheet,
  booking: Booking,
  patch: Partial<Rows['bookings']>,
): Promise<void> {
  await change.update('bookings', booking.id, patch);
  await noteUse(change, sheet.id);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}

export async function removeBooking(change: Change, sheet: Sheet, booking: Booking): Promise<void> {
  await change.remove('bookings', booking.id);
  await noteUse(change, sheet.id);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}

/** Bookings that begin before then and were not reminded of. */
export async function bookingsToRemind(
  reader: Reader,
  nowMs: number,
  beforeMs: number,
): Promise<BookingId[]> {
  const rows = await select<{ id: BookingId }>(
    reader,
    `SELECT bookings.id FROM bookings JOIN slots ON slots.id = bookings.slot_id
     WHERE reminded_at IS NULL AND start_at > :nowMs AND start_at <= :beforeMs ORDER BY start_at LIMIT 200`,
    { nowMs, beforeMs },
  );
  return rows.map((row) => row.id);
}

/** Bookings that are to have a meeting of their own and have none yet. */
export async function bookingsWithoutRoom(reader: Reader, nowMs: number): Promise<BookingId[]> {
  const rows = await select<{ id: BookingId }>(
    reader,
    `SELECT bookings.id FROM bookings JOIN slots ON slots.id = bookings.slot_id JOIN sheets ON sheets.id = slots.sheet_id
     WHERE bookings.room_id IS NULL AND start_at > :nowMs AND ${contains(reader, 'sheets.rules', `'"privateMeetings":true'`)}
     ORDER BY start_at LIMIT 50`,
    { nowMs },
  );
  return rows.map((row) => row.id);
}

/** The meeting service's name for a booking's own room. */
export async function roomOf(reader: Reader, booking: BookingId): Promise<string | undefined> {
  const [row] = await select<{ room_id: string | null }>(
    reader,
    'SELECT room_id FROM bookings WHERE id = :booking',
    { booking },
  );
  return row?.room_id ?? undefined;
}
