import { Temporal } from 'temporal-polyfill';
import { groupBy } from '@/core/groupBy';
import type { Occurrence } from '@/core/plan/occurrence';
import { overAtMs } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { dueTexts as say } from '@/core/texts/due';
import { studentTexts } from '@/core/texts/student';
import { dateLabel } from '@/core/time/dateLabels';
import { termsInSight } from '@/core/time/term';
import type { ZoneLookup } from '@/core/time/zone';
import { dayOf, momentText } from '@/core/time/zonedWall';
import type { DayLine } from './dayLines';
import { dayLine } from './dayLines';

/** A day on which one could work on something, with the note by which one does. */
export type WorkDay = Readonly<{ day: string; label: string; full: string; note?: string }>;
export type DueLine = Readonly<{
  line: DayLine;
  /** Nothing where it says none. */
  effort: string;
  days: readonly WorkDay[];
}>;
export type DueView = Readonly<{
  /** What is left of this week, in a sentence. */
  week: string;
  late: readonly DueLine[];
  /** What was due longer ago. */
  earlier: readonly DueLine[];
  days: readonly Readonly<{ key: string; heading: string; distance: string; lines: readonly DueLine[] }>[];
  done: readonly DueLine[];
}>;

/** So many days before work is due are offered to work on it. */
const DAYS_OFFERED = 14;
/** For so many days work that is over stands in sight; then it is folded away. */
const LATE_DAYS = 14;
const MONDAY = 1;

type Due = Extract<Occurrence, { kind: 'due' }>;
type Given = Readonly<{
  zoneOf: ZoneLookup;
  now: Temporal.Instant;
  today: Temporal.PlainDate;
  /** Entries that are ticked. */
  done: ReadonlySet<string>;
}>;

/** A student's due work over all courses, by day: what is open first, what is ticked out of the way. */
export function dueView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  { zoneOf, now, today, done }: Given,
): DueView {
  const inSight = termsInSight(plan.terms, today);
  const termOf = new Map(plan.courses.map((course) => [course.id, course.term]));
  const entries = new Map(plan.entries.map((entry) => [entry.id, entry]));
  const work = occurrences.filter(
    (o): o is Due =>
      o.kind === 'due' &&
      !o.asStaff &&
      o.cancelled === undefined &&
      o.courses.some((id) => inSight.has(termOf.get(id)!)),
  );
  const minutesOf = ({ entry: id }: Due): number | undefined => {
    const entry = entries.get(id);
    return entry?.kind === 'assignment' ? entry.effortMinutes : undefined;
  };
  const lineOf = (o: Due): DueLine => {
    const minutes = minutesOf(o);
    return {
      line: dayLine(o, plan, { now, zoneOf }),
      effort: minutes === undefined ? '' : say.effort(minutes),
      days: daysFor(o, plan, today),
    };
  };
  /** Of what is over its day matters more than the hour. */
  const overLine = (o: Due): DueLine => {
    const { line, ...rest } = lineOf(o);
    const was = studentTexts.wasDue({ when: dateLabel(dayOf(o.start), 'short', plan.locale) });
    return { ...rest, line: { ...line, time: '', detail: [was, line.detail].filter(Boolean).join(' · ') } };
  };
  const open = work.filter((o) => !done.has(o.entry));
  const isOver = (o: Due) => overAtMs(o, zoneOf(o.tzid)) <= now.epochMilliseconds;
  const coming = open.filter((o) => !isOver(o));
  const late = open.filter(isOver);
  const since = today.subtract({ days: LATE_DAYS });
  const isLongAgo = (o: Due) => Temporal.PlainDate.compare(dayOf(o.start), since) < 0;
  const weekEnd = today.add({ days: 6 - ((today.dayOfWeek - (plan.terms[0]?.weekStart ?? MONDAY) + 7) % 7) });
  const thisWeek = coming.filter((o) => Temporal.PlainDate.compare(dayOf(o.start), weekEnd) <= 0);
  const said = thisWeek.flatMap((o) => minutesOf(o) ?? []);
  return {
    week: say.week(
      thisWeek.length,
      said.reduce((sum, minutes) => sum + minutes, 0),
      thisWeek.length - said.length,
    ),
    late: late.filter((o) => !isLongAgo(o)).map(overLine),
    earlier: late.filter(isLongAgo).map(overLine),
    days: [...groupBy(coming, (o) => momentText(dayOf(o.start)))].map(([key, list]) => {
      const date = Temporal.PlainDate.from(key);
      return {
        key,
        heading: dateLabel(date, 'long', plan.locale),
        distance: say.inDays({ n: today.until(date, { largestUnit: 'days' }).days }),
        lines: list.map(lineOf),
      };
    }),
    done: work.filter((o) => done.has(o.entry)).map(lineOf),
  };
}

/** The last days until work is due from today on, each with one's note that one works on it then. */
function daysFor(o: Due, plan: SeenPlan, today: Temporal.PlainDate): WorkDay[] {
  const due = dayOf(o.start);
  const first = due.subtract({ days: DAYS_OFFERED - 1 });
  const from = Temporal.PlainDate.compare(first, today) > 0 ? first : today;
  const length = Math.max(0, from.until(due, { largestUnit: 'days' }).days + 1);
  const notes = new Map(
    plan.entries.flatMap((entry) =>
      entry.kind === 'note' && entry.about === o.entry && entry.title.startsWith(say.workOn(''))
        ? [[momentText(dayOf(entry.on)), entry.id as string] as const]
        : [],
    ),
  );
  return Array.from({ length }, (_, i) => {
    const date = from.add({ days: i });
    const day = momentText(date);
    const note = notes.get(day);
    return {
      day,
      label: dateLabel(date, 'short', plan.locale),
      full: dateLabel(date, 'long', plan.locale),
      ...(note === undefined ? {} : { note }),
    };
  });
}
