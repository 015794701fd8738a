import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { BookingId, CourseId, PersonId, SheetId, SlotId } from '@/core/ids';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { fromAudience, toAudience } from '../audiences';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

type BookingRow = Rows['bookings'] & { person_name: string };
type HostRow = Rows['hosts'] & { person_name: string };

const at = (ms: number) => Temporal.Instant.fromEpochMilliseconds(ms);

const toBooking = (row: BookingRow): Booking => ({
  id: row.id as BookingId,
  uid: row.uid,
  seat: row.seat,
  person: row.person_id as PersonId,
  personName: row.person_name,
  note: row.note,
  sequence: row.sequence,
  created: at(row.created_at),
  lastModified: at(row.modified_at),
});

/** Sheets whose id the sub-select `ids` finds, with their times and bookings. */
async function load(reader: Reader, ids: string, replacements: Record<string, unknown>): Promise<Sheet[]> {
  const [sheets, audiences, hosts, slots, bookings] = await Promise.all([
    select<Rows['sheets']>(
      reader,
      `SELECT * FROM sheets WHERE id IN (${ids}) ORDER BY created_at, id`,
      replacements,
    ),
    select<Rows['sheet_audiences']>(
      reader,
      `SELECT * FROM sheet_audiences WHERE sheet_id IN (${ids}) ORDER BY course_id`,
      replacements,
    ),
    select<HostRow>(
      reader,
      `SELECT hosts.*, people.name AS person_name FROM hosts JOIN people ON people.id = hosts.person_id
       WHERE sheet_id IN (${ids}) ORDER BY people.name`,
      replacements,
    ),
    select<Rows['slots']>(
      reader,
      `SELECT * FROM slots WHERE sheet_id IN (${ids}) ORDER BY start_at`,
      replacements,
    ),
    select<BookingRow>(
      reader,
      `SELECT bookings.*, people.name AS person_name FROM bookings
       JOIN people ON people.id = bookings.person_id JOIN slots ON slots.id = bookings.slot_id
       WHERE slots.sheet_id IN (${ids}) ORDER BY bookings.seat`,
      replacements,
    ),
  ]);
  return sheets.map((sheet) => ({
    id: sheet.id as SheetId,
    uid: sheet.uid,
    title: sheet.title,
    audience: audiences.filter((row) => row.sheet_id === sheet.id).map(toAudience),
    hosts: hosts
      .filter((row) => row.sheet_id === sheet.id)
      .map((row) => ({ id: row.person_id as PersonId, name: row.person_name })),
    place: sheet.place,
    meetingLink: sheet.meeting_link,
    timesPerStudent: sheet.times_per_student,
    offered: sheet.offered === 1,
    tzid: sheet.tzid,
    sequence: sheet.sequence,
    created: at(sheet.created_at),
    lastModified: at(sheet.modified_at),
    slots: slots
      .filter((row) => row.sheet_id === sheet.id)
      .map((row): Slot => ({
        id: row.id as SlotId,
        interval: { start: at(row.start_at), end: at(row.end_at) },
        seats: row.seats,
        bookings: bookings.filter((booking) => booking.slot_id === row.id).map(toBooking),
      })),
  }));
}

export const sheetsOf = (reader: Reader, courses: readonly CourseId[]): Promise<Sheet[]> =>
  courses.length === 0
    ? Promise.resolve([])
    : load(reader, 'SELECT sheet_id FROM sheet_audiences WHERE course_id IN (:courses)', { courses });

export const sheetOfSlot = async (reader: Reader, slot: SlotId): Promise<Sheet | undefined> =>
  (await load(reader, 'SELECT sheet_id FROM slots WHERE id = :slot', { slot }))[0];

export const sheetOfBooking = async (reader: Reader, booking: BookingId): Promise<Sheet | undefined> =>
  (
    await load(
      reader,
      'SELECT slots.sheet_id FROM slots JOIN bookings ON bookings.slot_id = slots.id WHERE bookings.id = :booking',
      { booking },
    )
  )[0];

const scopesOf = (sheet: Sheet) => sheet.audience.map((part) => `course:${part.course}` as const);

export async function insertSheet(change: Change, sheet: Sheet): Promise<void> {
  await change.insert('sheets', [
    {
      id: sheet.id,
      uid: sheet.uid,
      title: sheet.title,
      place: sheet.place,
      meeting_link: sheet.meetingLink,
      times_per_student: sheet.timesPerStudent,
      offered: sheet.offered ? 1 : 0,
      tzid: sheet.tzid,
      sequence: sheet.sequence,
      created_at: sheet.created.epochMilliseconds,
      modified_at: sheet.lastModified.epochMilliseconds,
    },
  ]);
  await change.insert(
    'sheet_audiences',
    sheet.audience.map((part) => ({ id: randomUUID(), sheet_id: sheet.id, ...fromAudience(part) })),
  );
  await change.insert(
    'hosts',
    sheet.hosts.map((host) => ({ id: randomUUID(), sheet_id: sheet.id, person_id: host.id })),
  );
  const zone = requireZone(sheet.tzid);
  await change.insert(
    'slots',
    sheet.slots.map(({ id, interval, seats }) => ({
      id,
      sheet_id: sheet.id,
      start_local: toWall(zone, interval.start).toString({ smallestUnit: 'minute' }),
      start_at: interval.start.epochMilliseconds,
      end_at: interval.end.epochMilliseconds,
      seats,
    })),
  );
  change.concerns(...scopesOf(sheet));
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
      sequence: booking.sequence,
      created_at: booking.created.epochMilliseconds,
      modified_at: booking.lastModified.epochMilliseconds,
    },
  ]);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}

export async function removeSlot(change: Change, sheet: Sheet, slot: SlotId): Promise<void> {
  await change.remove('slots', slot);
  change.concerns(...scopesOf(sheet));
}

export async function removeBooking(change: Change, sheet: Sheet, booking: Booking): Promise<void> {
  await change.remove('bookings', booking.id);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}
