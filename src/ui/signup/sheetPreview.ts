import { Temporal } from 'temporal-polyfill';
import type { Busy, ClosedDays, Offering, Skipped } from '@/core/signup/offeredTimes';
import { offeredTimes } from '@/core/signup/offeredTimes';
import { refusalTexts } from '@/core/texts/refusals';
import { signupTexts } from '@/core/texts/signup';
import { dateLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import { weekStartOf } from '@/core/time/term';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';

/** What the browser knows of a course's term: plain, since Temporal does not cross. */
export type OfferingTerm = Readonly<{
  zone: Zone;
  firstWeek: string;
  weeks: number;
  endsOn: string;
  closures: readonly Readonly<{
    name: string;
    start: string;
    end: string;
    closesAt?: string;
    opensAt?: string;
    course?: string;
  }>[];
  busy: readonly Readonly<{ title: string; startMs: number; endMs: number }>[];
}>;

export type ShownTime = Readonly<{
  start: string;
  from: number;
  to: number;
  state: 'offered' | 'leftOut' | 'clash' | 'closed';
}>;
export type SheetPreview = Readonly<{
  count: number;
  days: number;
  weeks: readonly Readonly<{ number: number; times: number; closed: boolean }>[];
  /** Hours that recur: `Tue, Thu 12:00–14:00`, with the number of times on such a day. */
  hours: readonly Readonly<{ words: string; times: number }>[];
  meetMinutes: number;
  gapMinutes: number;
  remainderMinutes: number;
  stretchMinutes: number;
  skipped: readonly string[];
  /** What clashes, each with a choice. */
  clashes: readonly Readonly<{ start: string; words: string; name: string; offered: boolean }>[];
  refusal?: string;
  /** The times of every day, in minutes of the day, by date. */
  byDay: ReadonlyMap<string, readonly ShownTime[]>;
}>;

const NOTHING: SheetPreview = {
  count: 0, days: 0, weeks: [], hours: [], meetMinutes: 0, gapMinutes: 0, remainderMinutes: 0, stretchMinutes: 0, skipped: [], clashes: [], byDay: new Map(),
}; // prettier-ignore

export const toCoreTerm = (
  term: OfferingTerm,
  courses: readonly string[],
): Readonly<{ closures: ClosedDays[]; busy: Busy[] }> => ({
  closures: term.closures
    .filter(({ course }) => course === undefined || courses.includes(course))
    .map(({ name, start, end, closesAt, opensAt }) => ({
      name,
      start: Temporal.PlainDate.from(start),
      end: Temporal.PlainDate.from(end),
      ...(closesAt ? { closesAt: Temporal.PlainTime.from(closesAt) } : {}),
      ...(opensAt ? { opensAt: Temporal.PlainTime.from(opensAt) } : {}),
    })),
  busy: term.busy.map(({ title, startMs, endMs }) => ({
    title,
    start: Temporal.Instant.fromEpochMilliseconds(startMs),
    end: Temporal.Instant.fromEpochMilliseconds(endMs),
  })),
});

const minuteOf = (text: string) => Number(text.slice(11, 13)) * 60 + Number(text.slice(14, 16));
const whenWords = (start: string) =>
  `${dateLabel(Temporal.PlainDate.from(start.slice(0, 10)), 'short')}, ${start.slice(11)}`;

/** What students will get, recomputed with each key: how many times, on which days and weeks, what is skipped and why. */
export function sheetPreview(
  offering: Offering | undefined,
  term: OfferingTerm,
  { courses, now }: Readonly<{ courses: readonly string[]; now: Temporal.Instant }>,
): SheetPreview {
  if (!offering || offering.stretches.length === 0) return NOTHING;
  const found = offeredTimes(offering, { zone: term.zone, now, ...toCoreTerm(term, courses) });
  if (!found.ok) return { ...NOTHING, refusal: refusalTexts[found.reason] };
  const { times, skipped } = found;
  const byDay = new Map<string, ShownTime[]>();
  const put = (start: string, minutes: number, state: ShownTime['state']) => {
    const from = minuteOf(start);
    byDay.set(start.slice(0, 10), [
      ...(byDay.get(start.slice(0, 10)) ?? []),
      { start, from, to: from + minutes, state },
    ]);
  };
  const minutesOf = (interval: (typeof times)[number]['interval']) =>
    interval.start.until(interval.end).total('minutes');
  const length =
    typeof offering.length === 'number' ? offering.length : times[0] ? minutesOf(times[0].interval) : 30;
  for (const { start, interval } of times) put(start, minutesOf(interval), 'offered');
  for (const { start, why } of skipped)
    if (why !== 'past') put(start, length, why === 'closure' ? 'closed' : why);
  const days = new Set(times.map(({ start }) => start.slice(0, 10)));
  const meetMinutes = times.reduce((sum, { interval }) => sum + minutesOf(interval), 0);
  return {
    count: times.length,
    days: days.size,
    weeks: weeksOf(
      term,
      times.map(({ start }) => start),
      skipped,
    ),
    hours: hoursOf(offering, byDay),
    meetMinutes,
    gapMinutes: Math.max(0, found.stretchMinutes - meetMinutes - found.remainderMinutes),
    remainderMinutes: found.remainderMinutes,
    stretchMinutes: found.stretchMinutes,
    skipped: skippedWords(skipped),
    clashes: [
      ...skipped.flatMap(({ start, why, name }) =>
        why === 'clash' ? [{ start, words: whenWords(start), name, offered: false }] : [],
      ),
      ...times.flatMap(({ start, clash }) =>
        clash ? [{ start, words: whenWords(start), name: clash, offered: true }] : [],
      ),
    ],
    byDay,
  };
}

function weeksOf({ firstWeek, weeks }: OfferingTerm, starts: readonly string[], skipped: readonly Skipped[]) {
  const first = Temporal.PlainDate.from(firstWeek);
  const weekOf = (start: string) =>
    Math.floor(
      first.until(weekStartOf(Temporal.PlainDate.from(start.slice(0, 10)), first.dayOfWeek)).days / 7,
    ) + 1;
  const counts = new Map<number, number>();
  for (const start of starts) counts.set(weekOf(start), (counts.get(weekOf(start)) ?? 0) + 1);
  const closed = new Set(skipped.flatMap(({ why, start }) => (why === 'closure' ? [weekOf(start)] : [])));
  return Array.from({ length: weeks }, (_, i) => ({
    number: i + 1,
    times: counts.get(i + 1) ?? 0,
    closed: closed.has(i + 1) && !counts.has(i + 1),
  }));
}

function hoursOf({ stretches }: Offering, byDay: SheetPreview['byDay']) {
  const found = new Map<string, { days: string[]; times: number }>();
  for (const { date, start, end } of stretches) {
    const hours = rangeLabel(date.toPlainDateTime(start), date.toPlainDateTime(end));
    const [from, to] = [start.hour * 60 + start.minute, end.hour * 60 + end.minute || 24 * 60];
    const times = (byDay.get(date.toString()) ?? []).filter(
      (t) => t.state === 'offered' && t.from >= from && t.to <= to,
    ).length;
    const day = dateLabel(date, 'weekday');
    const known = found.get(hours) ?? { days: [], times: 0 };
    found.set(hours, {
      days: known.days.includes(day) ? known.days : [...known.days, day],
      times: Math.max(known.times, times),
    });
  }
  return [...found].map(([hours, { days, times }]) => ({ words: `${days.join(', ')} ${hours}`, times }));
}

function skippedWords(skipped: readonly Skipped[]): string[] {
  const closures = new Map<string, number>();
  for (const { why, name } of skipped)
    if (why === 'closure') closures.set(name, (closures.get(name) ?? 0) + 1);
  const count = (why: Skipped['why']) => skipped.filter((skip) => skip.why === why).length;
  const { closure, past, leftOut } = signupTexts.skipped;
  return [
    ...[...closures].map(([name, n]) => closure({ name, n })),
    ...(count('past') > 0 ? [past({ n: count('past') })] : []),
    ...(count('leftOut') > 0 ? [leftOut({ n: count('leftOut') })] : []),
  ];
}

/** The clock of a busy interval on a day, in minutes, for drawing. */
export function busyOn(term: OfferingTerm, date: string) {
  return term.busy.flatMap(({ title, startMs, endMs }) => {
    const start = toWall(term.zone, Temporal.Instant.fromEpochMilliseconds(startMs));
    const end = toWall(term.zone, Temporal.Instant.fromEpochMilliseconds(endMs));
    if (start.toPlainDate().toString() !== date) return [];
    return [
      {
        title,
        from: start.hour * 60 + start.minute,
        to: end.hour * 60 + end.minute || 24 * 60,
        words: timeLabel(start),
      },
    ];
  });
}
