import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import { groupBy } from '@/core/groupBy';
import type { BookingId, CourseId, PersonId, SheetId, SlotId } from '@/core/ids';
import type { Booking, Sheet, Slot } from '@/core/signup/sheet';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { fromAudience, toAudience } from '../audiences';
import type { Reader } from '../database';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';
import type { BookingRow, WaitingRow } from './sheetRows';
import { fromRules, toRules, toSlot } from './sheetRows';

type HostRow = Rows['hosts'] & { person_name: string };
const at = (ms: number) => Temporal.Instant.fromEpochMilliseconds(ms);

/** Sheets whose id the sub-select `ids` finds, with their times, bookings and waiting lists. */
async function load(reader: Reader, ids: string, replacements: Record<string, unknown>): Promise<Sheet[]> {
  const [sheets, audiences, hosts, slots, bookings, waiting] = await Promise.all([
    select<Rows['sheets'] & { uses: number | null; used_at: number | null }>(
      reader,
      `SELECT sheets.*, uses, used_at FROM sheets LEFT JOIN sheet_uses ON sheet_uses.sheet_id = sheets.id
       WHERE id IN (${ids}) ORDER BY created_at, id`,
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
    select<WaitingRow>(
      reader,
      `SELECT waiting.*, people.name AS person_name FROM waiting
       JOIN people ON people.id = waiting.person_id JOIN slots ON slots.id = waiting.slot_id
       WHERE slots.sheet_id IN (${ids}) ORDER BY waiting.created_at, waiting.id`,
      replacements,
    ),
  ]);
  const audienceOf = groupBy(audiences, (row) => row.sheet_id);
  const hostsOf = groupBy(hosts, (row) => row.sheet_id);
  const slotsOf = groupBy(slots, (row) => row.sheet_id);
  const bookingsOf = groupBy(bookings, (row) => row.slot_id);
  const waitingOf = groupBy(waiting, (row) => row.slot_id);
  return sheets.map((sheet) => ({
    id: sheet.id as SheetId,
    uid: sheet.uid,
    title: sheet.title,
    audience: (audienceOf.get(sheet.id) ?? []).map(toAudience),
    hosts: (hostsOf.get(sheet.id) ?? []).map((row) => ({
      id: row.person_id as PersonId,
      name: row.person_name,
    })),
    place: sheet.place,
    meetingLink: sheet.meeting_link,
    rules: toRules(sheet),
    offered: sheet.offered === 1,
    tzid: sheet.tzid,
    sequence: sheet.sequence,
    created: at(sheet.created_at),
    lastModified: at(sheet.modified_at),
    uses: { count: sheet.uses ?? 0, ...(sheet.used_at === null ? {} : { last: at(sheet.used_at) }) },
    slots: (slotsOf.get(sheet.id) ?? []).map((row) =>
      toSlot(row, bookingsOf.get(row.id) ?? [], waitingOf.get(row.id) ?? []),
    ),
  }));
}

export const sheetsOf = (reader: Reader, courses: readonly CourseId[]): Promise<Sheet[]> =>
  courses.length === 0
    ? Promise.resolve([])
    : load(reader, 'SELECT sheet_id FROM sheet_audiences WHERE course_id IN (:courses)', { courses });

export const sheetById = async (reader: Reader, id: SheetId): Promise<Sheet | undefined> =>
  (await load(reader, 'SELECT id FROM sheets WHERE id = :id', { id }))[0];

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

/** What the courses of a sheet are called. */
export const courseNamesOf = (reader: Reader, sheet: Sheet): Promise<{ tag: string; code: string }[]> =>
  select(reader, 'SELECT tag, code FROM courses WHERE id IN (:courses) ORDER BY code', {
    courses: sheet.audience.map((part) => part.course),
  });

const scopesOf = (sheet: Sheet) => sheet.audience.map((part) => `course:${part.course}` as const);

const factsOf = (sheet: Sheet): Omit<Rows['sheets'], 'id' | 'uid' | 'created_at'> => ({
  title: sheet.title,
  place: sheet.place,
  meeting_link: sheet.meetingLink,
  ...fromRules(sheet.rules),
  offered: sheet.offered ? 1 : 0,
  tzid: sheet.tzid,
  sequence: sheet.sequence,
  modified_at: sheet.lastModified.epochMilliseconds,
});

const partsOf = (sheet: Sheet) => ({
  audiences: sheet.audience.map((part) => ({ id: randomUUID(), sheet_id: sheet.id, ...fromAudience(part) })),
  hosts: sheet.hosts.map((host) => ({ id: randomUUID(), sheet_id: sheet.id, person_id: host.id })),
});

export async function insertSheet(change: Change, sheet: Sheet): Promise<void> {
  await change.insert('sheets', [
    { id: sheet.id, uid: sheet.uid, created_at: sheet.created.epochMilliseconds, ...factsOf(sheet) },
  ]);
  const { audiences, hosts } = partsOf(sheet);
  await change.insert('sheet_audiences', audiences);
  await change.insert('hosts', hosts);
  await insertSlots(change, sheet, sheet.slots);
  change.concerns(...scopesOf(sheet));
}

/** What a sheet is called, who it is for, its hosts and rules; its times stay. `before` is how it stood. */
export async function replaceSheetFacts(change: Change, sheet: Sheet, before: Sheet): Promise<void> {
  await change.update('sheets', sheet.id, factsOf(sheet));
  for (const table of ['sheet_audiences', 'hosts'] as const) {
    const rows = await select<{ id: string }>(change, `SELECT id FROM ${table} WHERE sheet_id = :id`, {
      id: sheet.id,
    });
    for (const { id } of rows) await change.remove(table, id);
  }
  const { audiences, hosts } = partsOf(sheet);
  await change.insert('sheet_audiences', audiences);
  await change.insert('hosts', hosts);
  change.concerns(...scopesOf(before), ...scopesOf(sheet));
}

export async function insertSlots(change: Change, sheet: Sheet, slots: readonly Slot[]): Promise<void> {
  const zone = requireZone(sheet.tzid);
  await change.insert(
    'slots',
    slots.map(({ id, interval, seats, host }) => ({
      id,
      sheet_id: sheet.id,
      start_local: toWall(zone, interval.start).toString({ smallestUnit: 'minute' }),
      start_at: interval.start.epochMilliseconds,
      end_at: interval.end.epochMilliseconds,
      seats,
      host_id: host ?? null,
    })),
  );
  change.concerns(...scopesOf(sheet));
}

export async function replaceSlot(
  change: Change,
  sheet: Sheet,
  { id, interval, seats, host }: Slot,
): Promise<void> {
  await change.update('slots', id, {
    start_local: toWall(requireZone(sheet.tzid), interval.start).toString({ smallestUnit: 'minute' }),
    start_at: interval.start.epochMilliseconds,
    end_at: interval.end.epochMilliseconds,
    seats,
    host_id: host ?? null,
  });
  change.concerns(...scopesOf(sheet));
}

/** Beside the history: one's taking back a time must not stand in the way of another's. */
async function noteUse(change: Change, sheet: string): Promise<void> {
  await change.sequelize.query(
    `INSERT INTO sheet_uses (sheet_id, uses, used_at) VALUES (:sheet, 1, :nowMs)
     ON CONFLICT (sheet_id) DO UPDATE SET uses = sheet_uses.uses + 1, used_at = :nowMs`,
    { replacements: { sheet, nowMs: change.nowMs }, transaction: change.transaction },
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

export async function removeSlot(change: Change, sheet: Sheet, slot: SlotId): Promise<void> {
  for (const { id } of await select<{ id: string }>(change, 'SELECT id FROM waiting WHERE slot_id = :slot', {
    slot,
  }))
    await change.remove('waiting', id);
  await change.remove('slots', slot);
  change.concerns(...scopesOf(sheet));
}

export async function removeBooking(change: Change, sheet: Sheet, booking: Booking): Promise<void> {
  await change.remove('bookings', booking.id);
  await noteUse(change, sheet.id);
  change.concerns(...scopesOf(sheet), `person:${booking.person}`);
}

export async function insertWaiting(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  person: PersonId,
): Promise<void> {
  await change.insert('waiting', [
    { id: randomUUID(), slot_id: slot, person_id: person, created_at: change.nowMs, offered_until: null },
  ]);
  change.concerns(...scopesOf(sheet));
}

/** Takes somebody off a waiting list; answers whether they were on it. */
export async function removeWaiting(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  person: PersonId,
): Promise<boolean> {
  const rows = await select<{ id: string }>(
    change,
    'SELECT id FROM waiting WHERE slot_id = :slot AND person_id = :person',
    { slot, person },
  );
  for (const { id } of rows) await change.remove('waiting', id);
  change.concerns(...scopesOf(sheet));
  return rows.length > 0;
}

export async function offerTo(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  { person, until }: Readonly<{ person: PersonId; until: Temporal.Instant }>,
): Promise<void> {
  const [row] = await select<{ id: string }>(
    change,
    'SELECT id FROM waiting WHERE slot_id = :slot AND person_id = :person',
    { slot, person },
  );
  if (row) await change.update('waiting', row.id, { offered_until: until.epochMilliseconds });
  change.concerns(...scopesOf(sheet));
}

/** Times with an offer to somebody who waits that has run out. */
export async function expiredOffers(reader: Reader, nowMs: number): Promise<SlotId[]> {
  const rows = await select<{ slot_id: SlotId }>(
    reader,
    'SELECT DISTINCT slot_id FROM waiting WHERE offered_until <= :nowMs',
    { nowMs },
  );
  return rows.map((row) => row.slot_id);
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
     WHERE bookings.room_id IS NULL AND start_at > :nowMs AND instr(sheets.rules, '"privateMeetings":true') > 0
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
