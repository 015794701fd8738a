import { Temporal } from 'temporal-polyfill';
import { groupBy } from '../groupBy';
import type { MeetingId } from '../ids';
import type { Strand } from './classNumber';
import type { Closure } from './closure';
import { endsNextDay } from './classHours';
import { closes, isOn, isWhole } from './closure';
import { cycleDays } from './cycle';
import type { Pattern, PatternClass } from './pattern';
import { isAmong, patternOn } from './pattern';
import type { Term } from './term';
import { teachingWeeks, weekNumber } from './term';
import type { Moment, ZonedWall } from './zonedWall';

/**
 * A class on its date. `key` is where the timetable put it (`2026-10-15`, for a second class that day `2026-10-15/2`, for that of a
 * rotating day its turn, `turn-21`, for a teaching week `week-6`, for one
 * outside of the pattern its date and id) and stays when it is moved; the ordinal counts in the order of keys, cancelled meetings included, each
 * strand by itself.
 */
export type Meeting = Readonly<{
  id: MeetingId;
  key: string;
  ordinal: number;
  strand?: Strand;
  date: Temporal.PlainDate;
  start: Temporal.PlainTime;
  /** No later than its start: it runs into the next day, and belongs to its own. */
  end: Temporal.PlainTime;
  /** Where it takes place, if not where the course's classes do. */
  place?: string;
  /** Of one that stands for a teaching week: the day after its last; it has no hours, and `start` and `end` are midnight. */
  until?: Temporal.PlainDate;
  moved: boolean;
  /** The reason why it was called off, which may be empty; absent while it takes place. */
  cancelled?: string;
  sequence: number;
  lastModified: Temporal.Instant;
}>;

type ClassSpan = Readonly<{ start: ZonedWall; end: ZonedWall }>;
const spans = new WeakMap<object, ClassSpan>();

/** When a class begins and ends: a teaching week is whole days, the end is the first that is no longer in it. */
export const spanOfMeeting = (
  meeting: Pick<Meeting, 'date' | 'start' | 'end' | 'until'>,
  tzid: string,
): Readonly<{ start: Moment; end: Moment }> =>
  meeting.until ? { start: meeting.date, end: meeting.until } : hoursOfMeeting(meeting, tzid);

/** The hours of a class that has them, in the zone of its term; worked out once for each. */
export function hoursOfMeeting(meeting: Pick<Meeting, 'date' | 'start' | 'end'>, tzid: string): ClassSpan {
  const known = spans.get(meeting);
  if (known?.start.tzid === tzid) return known;
  const span = {
    start: { wall: meeting.date.toPlainDateTime(meeting.start), tzid },
    end: { wall: lastDayOf(meeting).toPlainDateTime(meeting.end), tzid },
  };
  spans.set(meeting, span);
  return span;
}

const lastDayOf = (meeting: Pick<Meeting, 'date' | 'start' | 'end'>): Temporal.PlainDate =>
  endsNextDay(meeting) ? meeting.date.add({ days: 1 }) : meeting.date;

export type PlannedMeeting = Pick<
  Meeting,
  'key' | 'date' | 'start' | 'end' | 'place' | 'strand' | 'until'
> & {
  /** Of a teaching week: its number, closed ones counted. */
  readonly week?: number;
};

/** A class outside of the pattern, on its date alone. */
export type ExtraClass = Readonly<{
  id: string;
  date: Temporal.PlainDate;
  start: Temporal.PlainTime;
  end: Temporal.PlainTime;
  place?: string;
  strand?: Exclude<Strand, 'week'>;
}>;

/** When a section meets: by its patterns, between its own first and last day where it has them, and on single dates. */
export type Timetable = Readonly<{
  patterns: readonly Pattern[];
  firstDay?: Temporal.PlainDate;
  lastDay?: Temporal.PlainDate;
  extraClasses?: readonly ExtraClass[];
}>;

/** What takes classes away; `course` is absent where it is the whole school's. */
export type ClosedForClasses = Pick<Closure, 'start' | 'end' | 'closesAt' | 'opensAt' | 'online' | 'course'>;

const byStart = (a: Pick<Meeting, 'start'>, b: Pick<Meeting, 'start'>) =>
  Temporal.PlainTime.compare(a.start, b.start);
const byTime = (a: Pick<Meeting, 'date' | 'start'>, b: Pick<Meeting, 'date' | 'start'>) =>
  Temporal.PlainDate.compare(a.date, b.date) || byStart(a, b);
const later = (a: Temporal.PlainDate, b: Temporal.PlainDate) =>
  Temporal.PlainDate.compare(a, b) > 0 ? a : b;
const earlier = (a: Temporal.PlainDate, b: Temporal.PlainDate) =>
  Temporal.PlainDate.compare(a, b) < 0 ? a : b;

/**
 * The meetings that a section's timetable gives over a term, minus those that a closure takes away, earliest first.
 * Teaching weeks count from the first of the term, closed ones included. `closures` are those that concern the section's course.
 */
export function plannedMeetings(
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart' | 'cycle'>,
  { patterns, firstDay, lastDay, extraClasses = [] }: Timetable,
  closures: readonly ClosedForClasses[],
): PlannedMeeting[] {
  const letters = cycleDays(term, closures);
  const meets = (c: PatternClass, date: Temporal.PlainDate) =>
    !c.byWeek &&
    (c.cycleDay === undefined
      ? c.weekday === date.dayOfWeek
      : c.cycleDay === letters.get(date.toString())?.day) &&
    (c.weeks === undefined || isAmong(c.weeks, weekNumber(term, date)!));
  const isOpen = (range: Pick<Meeting, 'date' | 'start' | 'end'>) =>
    !closures.some((closure) => closes(closure, range));
  const meetings: PlannedMeeting[] = extraClasses
    .filter(isOpen)
    .map(({ id, ...extra }) => ({ key: `${extra.date}+${id}`, ...extra }));
  const end = lastDay ? earlier(lastDay, term.endsOn) : term.endsOn;
  for (
    let date = firstDay ? later(firstDay, term.startsOn) : term.startsOn;
    Temporal.PlainDate.compare(date, end) <= 0;
    date = date.add({ days: 1 })
  ) {
    const classes = (patternOn(patterns, date)?.classes ?? []).filter((c) => meets(c, date)).sort(byStart);
    const turn = letters.get(date.toString())?.turn;
    for (const [place, own] of [
      [date.toString(), classes.filter((c) => c.cycleDay === undefined)],
      // The class of a turn stays itself when a closed day passes its letter on: what is planned goes along.
      [
        turn === undefined ? `${date}/given` : `turn-${turn}`,
        classes.filter((c) => c.cycleDay !== undefined),
      ],
    ] as const)
      own.forEach(({ start, end: until, place: room, strand }, i) => {
        const key = i === 0 ? place : `${place}/${i + 1}`;
        // The key is the pattern's, so that a closure that comes and goes gives every class its own meeting back.
        if (isOpen({ date, start, end: until }))
          meetings.push({
            key,
            date,
            start,
            end: until,
            ...(room === undefined ? {} : { place: room }),
            ...(strand === undefined ? {} : { strand }),
          });
      });
  }
  meetings.push(...plannedWeeks(term, { patterns, firstDay, lastDay }, closures));
  return meetings.sort(byTime);
}

/** The teaching weeks of a section that is planned by them, minus those of which no weekday is open. */
function plannedWeeks(
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>,
  { patterns, firstDay, lastDay }: Timetable,
  closures: readonly ClosedForClasses[],
): PlannedMeeting[] {
  const begin = firstDay ? later(firstDay, term.startsOn) : term.startsOn;
  const end = (lastDay ? earlier(lastDay, term.endsOn) : term.endsOn).add({ days: 1 });
  const isOpen = (date: Temporal.PlainDate) =>
    !closures.some((closure) => isWhole(closure) && isOn(closure, date));
  return teachingWeeks(term).flatMap(({ number, first }): PlannedMeeting[] => {
    const date = later(first, begin);
    const until = earlier(first.add({ weeks: 1 }), end);
    const days = Array.from({ length: Math.max(0, date.until(until).days) }, (_, n) => date.add({ days: n }));
    const teaching = days.filter(({ dayOfWeek }) => dayOfWeek <= 5);
    if (!(teaching.length > 0 ? teaching : days).some(isOpen)) return [];
    const own = patternOn(patterns, date)?.classes.find(({ byWeek }) => byWeek);
    return own
      ? [{ key: `week-${number}`, date, until, week: number, start: own.start, end: own.end, strand: own.strand }]
      : [];
  });
} // prettier-ignore

/**
 * The classes of a section, given in the order of their numbers, in the order of time. Those of one strand stay in the order of
 * their numbers, wherever they were moved.
 */
export function inTurn(meetings: readonly Meeting[]): readonly Meeting[] {
  const strands = [...groupBy(meetings, ({ strand }) => strand ?? '').values()];
  if (strands.length < 2) return meetings;
  const next = strands.map(() => 0);
  return meetings.map(() => {
    const heads = strands.flatMap((own, i) => (own[next[i]!] ? [{ i, meeting: own[next[i]!]! }] : []));
    const first = heads.reduce((a, b) => (byTime(b.meeting, a.meeting) < 0 ? b : a));
    next[first.i]! += 1;
    return first.meeting;
  });
}

export type MeetingChanges = Readonly<{
  /** All meetings as they now are, in the order of the timetable. */
  meetings: readonly Meeting[];
  added: readonly Meeting[];
  changed: readonly Meeting[];
  /** Meetings whose date is gone; what was planned for them needs another place. */
  lost: readonly Meeting[];
}>;

/**
 * Fits a section's meetings to what is now planned. A meeting whose date stays keeps its id, a moved one its new date,
 * a cancelled one its row and ordinal. Ordinals are 1, 2, 3 ... without holes, in each strand;
 * those of teaching weeks are the weeks'.
 */
export function fitMeetings(
  before: readonly Meeting[],
  planned: readonly PlannedMeeting[],
  { idOf, now }: { idOf: (key: string) => MeetingId; now: Temporal.Instant },
): MeetingChanges {
  const known = new Map(before.map((meeting) => [meeting.key, meeting]));
  const keys = new Set(planned.map((p) => p.key));
  const added: Meeting[] = [];
  const changed: Meeting[] = [];
  const counts = new Map<Strand | undefined, number>();
  const meetings = planned.map(({ week, ...p }): Meeting => {
    const { strand } = p;
    const ordinal = week ?? (counts.get(strand) ?? 0) + 1;
    counts.set(strand, ordinal);
    const old = known.get(p.key);
    if (!old) {
      const meeting = { ...p, id: idOf(p.key), ordinal, moved: false, sequence: 0, lastModified: now };
      added.push(meeting);
      return meeting;
    }
    const { date, start, end, place, until } = old.moved ? old : p;
    const same =
      old.ordinal === ordinal &&
      old.strand === strand &&
      old.date.equals(date) &&
      old.start.equals(start) &&
      old.end.equals(end) &&
      old.place === place &&
      old.until?.toString() === until?.toString();
    if (same) return old;
    const meeting = { ...old, ordinal, strand, date, start, end, place, until };
    changed.push(meeting);
    return meeting;
  });
  return { meetings, added, changed, lost: before.filter((meeting) => !keys.has(meeting.key)) };
}
