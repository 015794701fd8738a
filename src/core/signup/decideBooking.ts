import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '../ids';
import { weekStartOf } from '../time/term';
import type { Zone } from '../time/zone';
import { toWall } from '../time/zone';
import { noticeEnds } from './noticeOf';
import type { Sheet, SheetRules, Slot } from './sheet';
import { freeSeats } from './sheet';

export type BookingRefusal =
  | 'timeOver'
  | 'timeTaken'
  | 'alreadyYours'
  | 'timesUsedUp'
  | 'dayUsedUp'
  | 'weekUsedUp'
  | 'notOpenYet'
  | 'sheetClosed'
  | 'tooLateToTake';
export type BookingDecision = { ok: true; seat: number } | { ok: false; reason: BookingRefusal };

type Asking = Readonly<{
  person: PersonId;
  now: Temporal.Instant;
  zone: Zone;
  /** ISO's first day of the week, 1 to 7, for a limit by week. */
  weekStart?: number;
  /** The time that is given up for this one, where a booking moves. */
  instead?: Slot;
}>;

const isPast = (at: Temporal.Instant, now: Temporal.Instant) => Temporal.Instant.compare(at, now) <= 0;

/** Whether a time that is still to come has a seat for a person, whoever books it; the lowest free one, from 1. */
export function decideSeat(slot: Slot, { person, now }: Pick<Asking, 'person' | 'now'>): BookingDecision {
  // Over wins over taken: a taken time may be given back, one that has begun will not come again.
  if (isPast(slot.interval.start, now)) return { ok: false, reason: 'timeOver' };
  if (slot.bookings.some((b) => b.person === person)) return { ok: false, reason: 'alreadyYours' };
  if (freeSeats(slot, now, person) === 0) return { ok: false, reason: 'timeTaken' };
  return { ok: true, seat: lowestFreeSeat(slot) };
}

/** Why nobody may take a time now, by the rules of its sheet. */
export function shutFor(
  { opens, closes, take }: Pick<SheetRules, 'opens' | 'closes' | 'take'>,
  { interval }: Pick<Slot, 'interval'>,
  { now, zone }: Pick<Asking, 'now' | 'zone'>,
): 'notOpenYet' | 'sheetClosed' | 'tooLateToTake' | undefined {
  if (opens && !isPast(opens.at, now)) return 'notOpenYet';
  if (closes && isPast(closes.at, now)) return 'sheetClosed';
  return isPast(noticeEnds(take, interval.start, zone), now) ? 'tooLateToTake' : undefined;
}

/**
 * Whether a person may take a time now by the rules of its sheet, and in which seat. Whether the person may see
 * the sheet at all is decided before, by `seenSheet`; UNIQUE (slot, seat) holds whatever this function believes.
 */
export function decideBooking(sheet: Sheet, slot: Slot, asking: Asking): BookingDecision {
  const { now, zone } = asking;
  const { rules } = sheet;
  const decision = decideSeat(slot, asking);
  if (!decision.ok && decision.reason === 'timeOver') return decision;
  const shut = shutFor(rules, slot, { now, zone });
  if (shut) return { ok: false, reason: shut };
  const limit = decision.ok ? limitReached(sheet, slot, asking) : undefined;
  return limit ? { ok: false, reason: limit } : decision;
}

/** Which of the limits on one student's times taking this one would break. */
export function limitReached(
  { slots, rules }: Sheet,
  slot: Slot,
  { person, zone, weekStart = 1, instead }: Asking,
): 'timesUsedUp' | 'dayUsedUp' | 'weekUsedUp' | undefined {
  const held = slots.filter((s) => s.id !== instead?.id && s.bookings.some((b) => b.person === person));
  const dayOf = (s: Slot) => toWall(zone, s.interval.start).toPlainDate();
  const day = dayOf(slot);
  const week = weekStartOf(day, weekStart);
  if (held.length >= rules.perSheet) return 'timesUsedUp';
  if (rules.perDay && held.filter((s) => dayOf(s).equals(day)).length >= rules.perDay) return 'dayUsedUp';
  const inWeek = held.filter((s) => weekStartOf(dayOf(s), weekStart).equals(week)).length;
  return rules.perWeek && inWeek >= rules.perWeek ? 'weekUsedUp' : undefined;
}

/** Why a time can no longer be given back, or undefined. */
export function decideGiveBack(
  { rules }: Sheet,
  slot: Slot,
  { now, zone }: Pick<Asking, 'now' | 'zone'>,
): 'timeBegun' | 'tooLateToGiveBack' | undefined {
  if (isPast(slot.interval.start, now)) return 'timeBegun';
  return isPast(noticeEnds(rules.giveBack, slot.interval.start, zone), now) ? 'tooLateToGiveBack' : undefined;
}

function lowestFreeSeat(slot: Slot): number {
  const taken = new Set(slot.bookings.map((b) => b.seat));
  let seat = 1;
  while (taken.has(seat)) seat += 1;
  return seat;
}
