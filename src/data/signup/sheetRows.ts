import { Temporal } from 'temporal-polyfill';
import type { Link } from '@/core/entries/entry';
import type { BookingId, PersonId, SlotId } from '@/core/ids';
import type { Booking, Notice, RuleMoment, SheetRules, Slot, Waiting } from '@/core/signup/sheet';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { momentText, zonedWall } from '@/core/time/zonedWall';
import type { Rows } from '../rows';

type StoredNotice = Readonly<{ minutes: number } | { days: number; at: string }>;

/** What a sheet's column `rules` holds; times are wall times of its zone. */
type StoredRules = Readonly<{
  perDay?: number;
  perWeek?: number;
  take?: StoredNotice;
  giveBack?: StoredNotice;
  opens?: string;
  closes?: string;
  namesShown?: boolean;
  waitingList?: boolean;
  question?: { text: string; choices: string[] };
  links?: Link[];
  apart?: boolean;
  privateMeetings?: boolean;
}>;

const toNotice = (stored: StoredNotice): Notice =>
  'minutes' in stored
    ? { kind: 'minutes', minutes: stored.minutes }
    : { kind: 'day', days: stored.days, at: Temporal.PlainTime.from(stored.at) };

const fromNotice = (notice: Notice): StoredNotice =>
  notice.kind === 'minutes'
    ? { minutes: notice.minutes }
    : { days: notice.days, at: notice.at.toString({ smallestUnit: 'minute' }) };

export function toRules(row: Rows['sheets']): SheetRules {
  const stored = JSON.parse(row.rules) as StoredRules;
  const moment = (text: string | undefined): RuleMoment | undefined => {
    if (!text) return undefined;
    const wall = zonedWall(text, row.tzid);
    return { wall, at: toInstant(requireZone(row.tzid), wall.wall) };
  };
  return {
    perSheet: row.times_per_student,
    perDay: stored.perDay,
    perWeek: stored.perWeek,
    take: stored.take ? toNotice(stored.take) : DEFAULT_RULES.take,
    giveBack: stored.giveBack ? toNotice(stored.giveBack) : DEFAULT_RULES.giveBack,
    opens: moment(stored.opens),
    closes: moment(stored.closes),
    namesShown: stored.namesShown ?? false,
    waitingList: stored.waitingList ?? false,
    question: stored.question,
    links: stored.links ?? [],
    together: !stored.apart,
    privateMeetings: stored.privateMeetings ?? false,
  };
}

export function fromRules(rules: SheetRules): Pick<Rows['sheets'], 'rules' | 'times_per_student'> {
  const stored: StoredRules = {
    perDay: rules.perDay,
    perWeek: rules.perWeek,
    take: fromNotice(rules.take),
    giveBack: fromNotice(rules.giveBack),
    opens: rules.opens && momentText(rules.opens.wall),
    closes: rules.closes && momentText(rules.closes.wall),
    namesShown: rules.namesShown,
    waitingList: rules.waitingList,
    question: rules.question && { text: rules.question.text, choices: [...rules.question.choices] },
    links: [...rules.links],
    apart: !rules.together,
    privateMeetings: rules.privateMeetings,
  };
  return { rules: JSON.stringify(stored), times_per_student: rules.perSheet };
}

const at = (ms: number) => Temporal.Instant.fromEpochMilliseconds(ms);

export type BookingRow = Rows['bookings'] & { person_name: string };
export type WaitingRow = Rows['waiting'] & { person_name: string };

export const toBooking = (row: BookingRow): Booking => ({
  id: row.id as BookingId,
  uid: row.uid,
  seat: row.seat,
  person: row.person_id as PersonId,
  personName: row.person_name,
  note: row.note,
  answer: row.answer,
  meetingLink: row.meeting_link,
  ...(row.came === null ? {} : { came: row.came === 1 }),
  sequence: row.sequence,
  created: at(row.created_at),
  lastModified: at(row.modified_at),
});

const toWaiting = (row: WaitingRow): Waiting => ({
  person: row.person_id as PersonId,
  personName: row.person_name,
  since: at(row.created_at),
  ...(row.offered_until === null ? {} : { offeredUntil: at(row.offered_until) }),
});

export const toSlot = (
  row: Rows['slots'],
  bookings: readonly BookingRow[],
  waiting: readonly WaitingRow[],
): Slot => ({
  id: row.id as SlotId,
  interval: { start: at(row.start_at), end: at(row.end_at) },
  seats: row.seats,
  ...(row.host_id ? { host: row.host_id as PersonId } : {}),
  ...(row.place ? { place: row.place } : {}),
  ...(row.meeting_link ? { meetingLink: row.meeting_link } : {}),
  bookings: bookings.map(toBooking),
  waiting: waiting.map(toWaiting),
});
