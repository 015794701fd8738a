import { Temporal } from 'temporal-polyfill';
import type { Interval } from '../time/interval';
import { overlaps } from '../time/interval';
import type { Zone } from '../time/zone';
import { toInstant, toWall } from '../time/zone';
import { cutStretch } from './cutStretch';

/** A continuous time on a day. An end at 00:00 is the midnight with which the day ends. */
export type Stretch = Readonly<{
  date: Temporal.PlainDate;
  start: Temporal.PlainTime;
  end: Temporal.PlainTime;
}>;
export type ClockRange = Readonly<{ start: Temporal.PlainTime; end: Temporal.PlainTime }>;

/** What is offered: stretches on their days or every week, cut into times. */
export type Offering = Readonly<{
  /** `weekly`: each stretch again every week from its own day to the last. */
  repeat: 'dates' | 'weekly';
  stretches: readonly Stretch[];
  until?: Temporal.PlainDate;
  /** Minutes of a time; `whole` makes one of each stretch. */
  length: number | 'whole';
  gap: number;
  /** Pauses within every day. */
  breaks: readonly ClockRange[];
  /** Times left out one by one, and times offered although they clash: by their start, `2026-10-15T12:00`. */
  leftOut: readonly string[];
  allTheSame: readonly string[];
}>;

export type ClosedDays = Readonly<{ name: string; start: Temporal.PlainDate; end: Temporal.PlainDate; closesAt?: Temporal.PlainTime; opensAt?: Temporal.PlainTime }>; // prettier-ignore
/** When the staff have something else. */
export type Busy = Interval & Readonly<{ title: string }>;

export type Skipped = Readonly<{
  start: string;
  why: 'closure' | 'clash' | 'past' | 'leftOut';
  name: string;
}>;
export type OfferedTime = Readonly<{
  interval: Interval;
  start: string;
  /** What else there is at that time. */ clash?: string;
}>;
export type Offered =
  | Readonly<{
      ok: true;
      times: readonly OfferedTime[];
      skipped: readonly Skipped[];
      /** Minutes that no time fills, and minutes of all stretches, skipped ones left aside. */
      remainderMinutes: number;
      stretchMinutes: number;
    }>
  | Readonly<{ ok: false; reason: 'stretchesOverlap' | 'tooManyTimes' }>;

/** More than a term of full days in tens. */
export const MOST_TIMES = 2000;

type Given = Readonly<{
  zone: Zone;
  closures: readonly ClosedDays[];
  busy: readonly Busy[];
  now: Temporal.Instant;
}>;

/** The stretches of every week, or as they are. */
function repeated({ repeat, stretches, until }: Offering): Stretch[] {
  if (repeat === 'dates' || !until) return [...stretches];
  return stretches.flatMap((stretch) => {
    const all: Stretch[] = [];
    for (
      let date = stretch.date;
      Temporal.PlainDate.compare(date, until) <= 0 && all.length < 60;
      date = date.add({ weeks: 1 })
    )
      all.push({ ...stretch, date });
    return all;
  });
}

const MIDNIGHT = new Temporal.PlainTime();
const isMidnight = (time: Temporal.PlainTime) => Temporal.PlainTime.compare(time, MIDNIGHT) === 0;
const later = (a: Temporal.PlainTime, b: Temporal.PlainTime) => Temporal.PlainTime.compare(a, b) > 0;

/** A stretch without its breaks: what is left before, between and after them. */
export function withoutBreaks({ start, end }: ClockRange, breaks: readonly ClockRange[]): ClockRange[] {
  const endsLater = (time: Temporal.PlainTime) => isMidnight(end) || later(end, time);
  const parts: ClockRange[] = [];
  let from = start;
  for (const pause of [...breaks].sort((a, b) => Temporal.PlainTime.compare(a.start, b.start))) {
    if (!later(pause.end, from) || !endsLater(pause.start)) continue;
    if (later(pause.start, from)) parts.push({ start: from, end: pause.start });
    from = pause.end;
    if (!endsLater(from)) return parts;
  }
  return [...parts, { start: from, end }];
}

const spanOf = (zone: Zone, date: Temporal.PlainDate, { start, end }: ClockRange): Interval => ({
  start: toInstant(zone, date.toPlainDateTime(start)),
  end: toInstant(zone, (isMidnight(end) ? date.add({ days: 1 }) : date).toPlainDateTime(end)),
});

/** The closure that takes a time away: of its whole day, or from a time of day on. */
function closureOver(
  closures: readonly ClosedDays[],
  zone: Zone,
  { start, end }: Interval,
): ClosedDays | undefined {
  const first = toWall(zone, start);
  const last = toWall(zone, end);
  const date = first.toPlainDate();
  return closures.find(({ start: from, end: to, closesAt, opensAt }) => {
    if (Temporal.PlainDate.compare(from, date) > 0 || Temporal.PlainDate.compare(date, to) >= 0) return false;
    if (!closesAt && !opensAt) return true;
    const early = opensAt && Temporal.PlainDateTime.compare(first, date.toPlainDateTime(opensAt)) < 0;
    return early || (closesAt && Temporal.PlainDateTime.compare(last, date.toPlainDateTime(closesAt)) > 0);
  });
}

/**
 * The times that an offering gives, earliest first, and what is left out, with the reason: the same function for what is
 * shown while one types and for what is then offered. Times that have begun are not made; closures are passed over; what
 * clashes with something else of the staff is left out unless it is offered all the same.
 */
export function offeredTimes(offering: Offering, { zone, closures, busy, now }: Given): Offered {
  const parts = repeated(offering)
    .flatMap(({ date, ...range }) =>
      withoutBreaks(range, offering.breaks).map((part) => spanOf(zone, date, part)),
    )
    .filter(({ start, end }) => Temporal.Instant.compare(start, end) < 0)
    .sort((a, b) => Temporal.Instant.compare(a.start, b.start));
  if (parts.some((part, i) => i > 0 && overlaps(parts[i - 1]!, part)))
    return { ok: false, reason: 'stretchesOverlap' };
  const { length, gap } = offering;
  const leftOut = new Set(offering.leftOut);
  const allTheSame = new Set(offering.allTheSame);
  const times: OfferedTime[] = [];
  const skipped: Skipped[] = [];
  let remainderMinutes = 0;
  let stretchMinutes = 0;
  for (const part of parts) {
    const minutes = part.start.until(part.end).total('minutes');
    const cut =
      length === 'whole' ? { times: [part], remainderMinutes: 0 } : cutStretch(part, { length, gap });
    let used = false;
    for (const interval of cut.times) {
      if (times.length + skipped.length >= MOST_TIMES) return { ok: false, reason: 'tooManyTimes' };
      const start = toWall(zone, interval.start).toString({ smallestUnit: 'minute' });
      const closure = closureOver(closures, zone, interval);
      const clash = busy.find((other) => overlaps(other, interval))?.title;
      if (Temporal.Instant.compare(interval.start, now) <= 0) skipped.push({ start, why: 'past', name: '' });
      else if (closure) skipped.push({ start, why: 'closure', name: closure.name });
      else if (leftOut.has(start)) skipped.push({ start, why: 'leftOut', name: '' });
      else if (clash !== undefined && !allTheSame.has(start))
        skipped.push({ start, why: 'clash', name: clash });
      else {
        used = true;
        times.push({ interval, start, ...(clash === undefined ? {} : { clash }) });
      }
    }
    if (!used && cut.times.length > 0) continue;
    stretchMinutes += minutes;
    remainderMinutes += cut.remainderMinutes;
  }
  return { ok: true, times, skipped, remainderMinutes, stretchMinutes };
}
