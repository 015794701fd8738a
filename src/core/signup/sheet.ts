import { Temporal } from 'temporal-polyfill';
import type { CourseAudience, Link } from '../entries/entry';
import type { BookingId, PersonId, SheetId, SlotId } from '../ids';
import type { Interval } from '../time/interval';
import type { ZonedWall } from '../time/zonedWall';

/** How long before a time something can still be done: so many minutes, or some days before at a time of day. */
export type Notice =
  | Readonly<{ kind: 'minutes'; minutes: number }>
  | Readonly<{ kind: 'day'; days: number; at: Temporal.PlainTime }>;

/** `at` is derived, as for an entry's visibility. */
export type RuleMoment = Readonly<{ wall: ZonedWall; at: Temporal.Instant }>;

export type SheetRules = Readonly<{
  /** How many times one student may hold at once: on the sheet (past ones included), on a day, in a week. */
  perSheet: number;
  perDay?: number;
  perWeek?: number;
  take: Notice;
  giveBack: Notice;
  /** When the sheet opens and closes for taking. */
  opens?: RuleMoment;
  closes?: RuleMoment;
  /** Whether those who come to the same time see each other's names. */
  namesShown: boolean;
  waitingList: boolean;
  /** What is asked of whoever takes a time: in words, or among choices. */
  question?: Readonly<{ text: string; choices: readonly string[] }>;
  /** For those who come. */
  links: readonly Link[];
  /** Whether each time is its host's alone, or all hosts are present. */
  together: boolean;
  /** A meeting for each booking, made when it is taken. */
  privateMeetings: boolean;
}>;

const NO_NOTICE: Notice = { kind: 'minutes', minutes: 0 };
export const DEFAULT_RULES: SheetRules = {
  perSheet: 1,
  take: NO_NOTICE,
  giveBack: NO_NOTICE,
  namesShown: false,
  waitingList: false,
  links: [],
  together: true,
  privateMeetings: false,
};

export type Booking = Readonly<{
  id: BookingId;
  uid: string;
  /** From 1; unique within the time. */
  seat: number;
  person: PersonId;
  personName: string;
  note: string;
  /** To the sheet's question. */
  answer: string;
  /** Its own, where each booking has one; seen by whoever took the time and the staff alone. */
  meetingLink: string;
  /** Whether the person came, once somebody has said so. */
  came?: boolean;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

/** Somebody who waits for a time that is taken. While an offer holds, a seat is kept for them. */
export type Waiting = Readonly<{
  person: PersonId;
  personName: string;
  since: Temporal.Instant;
  offeredUntil?: Temporal.Instant;
}>;

/** A bookable time. One booking for each seat taken. */
export type Slot = Readonly<{
  id: SlotId;
  interval: Interval;
  seats: number;
  /** Whose time it is, where the hosts have their own. */
  host?: PersonId;
  /** Its own place or link, where it is elsewhere than the sheet says (`meetsAt`). */
  place?: string;
  meetingLink?: string;
  bookings: readonly Booking[];
  /** Longest first. */
  waiting: readonly Waiting[];
}>;

export type Sheet = Readonly<{
  id: SheetId;
  uid: string;
  title: string;
  audience: readonly CourseAudience[];
  hosts: readonly Readonly<{ id: PersonId; name: string }>[];
  place: string;
  /** One for all; empty where there is none, or each booking has its own. */
  meetingLink: string;
  rules: SheetRules;
  offered: boolean;
  tzid: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
  /** How often its times were taken or given back, and when last: what is free changed then. */
  uses: Readonly<{ count: number; last?: Temporal.Instant }>;
  /** Earliest first. */
  slots: readonly Slot[];
}>;

/** Whose time it is: of one host alone, or of all. */
export const hostsOf = ({ hosts }: Pick<Sheet, 'hosts'>, { host }: Pick<Slot, 'host'>): Sheet['hosts'] =>
  host ? hosts.filter(({ id }) => id === host) : hosts;

/** Seats kept for those of the waiting list who have an offer that holds, this person aside. */
export const keptSeats = ({ waiting }: Slot, now: Temporal.Instant, person: PersonId | undefined): number =>
  waiting.filter(
    ({ person: who, offeredUntil }) =>
      offeredUntil && who !== person && Temporal.Instant.compare(offeredUntil, now) > 0,
  ).length;

/** The seats of a time that nobody has and that are not kept for somebody else who waits. */
export const freeSeats = (slot: Slot, now: Temporal.Instant, person: PersonId): number =>
  Math.max(0, slot.seats - slot.bookings.length - keptSeats(slot, now, person));
