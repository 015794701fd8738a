import { Temporal } from 'temporal-polyfill';
import { groupBy } from '@/core/groupBy';
import type { BookingId, CourseId, PersonId, SheetId, SlotId } from '@/core/ids';
import type { Sheet, Slot } from '@/core/signup/sheet';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { fromAudience, toAudience } from '../audiences';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { grown } from '../history/grown';
import { replaceParts } from '../history/parts';
import { partId } from '../partId';
import type { Rows } from '../rows';
import type { BookingRow, WaitingRow } from './sheetRows';
import { fromRules, toRules, toSlot } from './sheetRows';
import { scopesOf } from './sheetScopes';

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

const OF_SLOT = 'SELECT sheet_id FROM slots WHERE id = :id';
const OF_BOOKING =
  'SELECT slots.sheet_id FROM slots JOIN bookings ON bookings.slot_id = slots.id WHERE bookings.id = :id';

export const sheetOfSlot = async (reader: Reader, id: SlotId): Promise<Sheet | undefined> =>
  (await load(reader, OF_SLOT, { id }))[0];

export const sheetOfBooking = async (reader: Reader, id: BookingId): Promise<Sheet | undefined> =>
  (await load(reader, OF_BOOKING, { id }))[0];

type Of = Readonly<{ sheet_id: SheetId }>;

/** Of which sheet a time is. */
export const sheetIdOfSlot = async (reader: Reader, id: SlotId): Promise<SheetId | undefined> =>
  (await select<Of>(reader, OF_SLOT, { id }))[0]?.sheet_id;

/** Of which sheet a booking is. */
export const sheetIdOfBooking = async (reader: Reader, id: BookingId): Promise<SheetId | undefined> =>
  (await select<Of>(reader, OF_BOOKING, { id }))[0]?.sheet_id;

/** What the courses of a sheet are called. */
export const courseNamesOf = (reader: Reader, sheet: Sheet): Promise<{ tag: string; code: string }[]> =>
  select(reader, 'SELECT tag, code FROM courses WHERE id IN (:courses) ORDER BY code', {
    courses: sheet.audience.map((part) => part.course),
  });

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
  audiences: sheet.audience.map((part, i) => ({
    id: partId(sheet.id, 'audience', i),
    sheet_id: sheet.id,
    ...fromAudience(part),
  })),
  hosts: sheet.hosts.map((host) => ({
    id: partId(sheet.id, 'host', host.id),
    sheet_id: sheet.id,
    person_id: host.id,
  })),
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

type SheetFacts = Pick<
  Sheet,
  'id' | 'title' | 'audience' | 'hosts' | 'place' | 'meetingLink' | 'rules' | 'offered'
>;

/** What a sheet is called, who it is for, its hosts and rules; its times stay. `before` is how it stood. */
export async function replaceSheetFacts(change: Change, facts: SheetFacts, before: Sheet): Promise<Sheet> {
  const sheet: Sheet = { ...before, ...facts, ...grown(change, before) };
  await change.update('sheets', sheet.id, factsOf(sheet));
  const { audiences, hosts } = partsOf(sheet);
  await replaceParts(change, 'sheet_audiences', 'sheet_id', sheet.id, audiences);
  await replaceParts(change, 'hosts', 'sheet_id', sheet.id, hosts);
  change.concerns(...scopesOf(before), ...scopesOf(sheet));
  return sheet;
}

export async function insertSlots(change: Change, sheet: Sheet, slots: readonly Slot[]): Promise<void> {
  const zone = requireZone(sheet.tzid);
  await change.insert(
    'slots',
    slots.map(({ id, interval, seats, host, place, meetingLink }) => ({
      id,
      sheet_id: sheet.id,
      start_local: toWall(zone, interval.start).toString({ smallestUnit: 'minute' }),
      start_at: interval.start.epochMilliseconds,
      end_at: interval.end.epochMilliseconds,
      seats,
      host_id: host ?? null,
      place: place || null,
      meeting_link: meetingLink || null,
    })),
  );
  change.concerns(...scopesOf(sheet));
}

export async function replaceSlot(
  change: Change,
  sheet: Sheet,
  { id, interval, seats, host, place, meetingLink }: Slot,
): Promise<void> {
  await change.update('slots', id, {
    start_local: toWall(requireZone(sheet.tzid), interval.start).toString({ smallestUnit: 'minute' }),
    start_at: interval.start.epochMilliseconds,
    end_at: interval.end.epochMilliseconds,
    seats,
    host_id: host ?? null,
    place: place || null,
    meeting_link: meetingLink || null,
  });
  change.concerns(...scopesOf(sheet));
}

export async function removeSlot(change: Change, sheet: Sheet, slot: SlotId): Promise<void> {
  for (const { id } of await select<{ id: string }>(change, 'SELECT id FROM waiting WHERE slot_id = :slot', {
    slot,
  }))
    await change.remove('waiting', id);
  await change.remove('slots', slot);
  change.concerns(...scopesOf(sheet));
}
