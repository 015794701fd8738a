import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { overAtMs } from '@/core/plan/occurrenceDays';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { questionTexts } from '@/core/texts/questions';
import { todayTexts as say } from '@/core/texts/today';
import { dateLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { dayOf } from '@/core/time/zonedWall';
import type { DayLine } from '../student/dayLines';
import { dayLine } from '../student/dayLines';
import type { NextView } from '../student/nextView';
import { nextView } from '../student/nextView';

/** How far the page looks, in days. */
const AHEAD = 7;

/** Something that asks for a decision, and where it is taken. */
export type Waiting = Readonly<{
  key: string;
  words: string;
  href: string;
  /** A course whose plans can slide in at once. */
  slides?: Readonly<{ course: string; name: string }>;
}>;

/** What waits outside what is seen of the plan. */
export type WaitingCounts = Readonly<{
  checks: number;
  /** Plans that wait for a class, by their course. */
  /** What students asked and nobody has answered, or what was reported, by what it stands under. */
  questions: readonly Readonly<{
    about: Readonly<{ id: string; title: string; path: string }>;
    unanswered: number;
    reported: boolean;
  }>[];
  homeless: readonly Readonly<{ course: string; key: string; name: string; titles: readonly string[] }>[];
}>;

export type TodayView = Readonly<{
  now: NextView['now'];
  /** Today, and the next day on which there is something. */
  days: NextView['days'];
  comes: readonly DayLine[];
  due: readonly DayLine[];
  waits: readonly Waiting[];
}>;

/**
 * What whoever teaches begins a day with: what is next, who comes, what is due, what waits for a decision; times that are over
 * are out of the way.
 */
export function todayView(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  {
    zoneOf,
    now,
    today,
    waiting,
  }: { zoneOf: ZoneLookup; now: Temporal.Instant; today: Temporal.PlainDate; waiting: WaitingCounts },
): TodayView {
  const soon = occurrences.filter((o) => {
    const days = today.until(dayOf(o.start), { largestUnit: 'days' }).days;
    return days >= 0 && days < AHEAD && overAtMs(o, zoneOf(o.tzid)) > now.epochMilliseconds;
  });
  const dated = (o: Occurrence): DayLine => {
    const line = dayLine(o, plan, { now, zoneOf });
    return { ...line, work: undefined, time: say.when({ day: dateLabel(dayOf(o.start), 'short', plan.locale), time: line.time }) }; // prettier-ignore
  };
  const happening = occurrences.filter((o) => o.kind !== 'due' && o.kind !== 'set' && o.kind !== 'booking');
  const next = nextView(plan, happening, { zoneOf, now, today });
  return {
    now: next.now,
    days: next.days.slice(0, 2),
    comes: soon.flatMap((o) =>
      o.kind === 'booking' && !o.mine ? [{ ...dated(o), href: `/office-hours/${o.sheet}` }] : [],
    ),
    due: soon.filter((o) => o.kind === 'due' && o.cancelled === undefined).map(dated),
    waits: [...offClasses(occurrences, today), ...waitsIn(soon, waiting)],
  };
}

/** Plans that stand on a class that was called off, from today on: each waits for a slide. */
function offClasses(occurrences: readonly Occurrence[], today: Temporal.PlainDate): Waiting[] {
  const off = new Map(
    occurrences.flatMap((o) =>
      o.kind === 'class' && o.edits && o.plan && o.cancelled !== undefined && !isBefore(o, today)
        ? [[o.plan, { title: o.title, day: dayOf(o.start).toString() }] as const]
        : [],
    ),
  );
  return [...off].map(([plan, { title, day }]) => ({
    key: `off ${plan}`,
    words: say.calledOff({ title }),
    href: `/week?from=${day}`,
  }));
}

const isBefore = (o: Occurrence, day: Temporal.PlainDate): boolean => dayOf(o.start).since(day).sign < 0;

const waitingLines = ({ about, unanswered, reported }: WaitingCounts['questions'][number]): Waiting[] => {
  const href = `${about.path}#questions`;
  return [
    ...(reported
      ? [{ key: `reported ${about.id}`, words: questionTexts.reportedOn({ title: about.title }), href }]
      : []),
    ...(unanswered > 0
      ? [
          {
            key: `asked ${about.id}`,
            words: questionTexts.waitsOn({ n: unanswered, title: about.title }),
            href,
          },
        ]
      : []),
  ];
};

function waitsIn(soon: readonly Occurrence[], { checks, homeless, questions }: WaitingCounts): Waiting[] {
  const unplanned = soon.filter((o) => o.kind === 'class' && o.edits && !o.plan && o.cancelled === undefined);
  const drafts = new Set(soon.flatMap((o) => ('entry' in o && o.release === 'draft' ? [o.entry] : [])));
  return [
    ...questions.flatMap(waitingLines),
    ...(checks > 0 ? [{ key: 'checks', words: say.checks({ n: checks }), href: '/checks' }] : []),
    ...homeless.map(({ course, key, name, titles }) => ({ key, words: say.homeless({ n: titles.length, course: name }), href: `/courses/${encodeURIComponent(key)}`, slides: { course, name } })),
    ...(unplanned.length > 0 ? [{ key: 'unplanned', words: say.unplanned({ n: unplanned.length }), href: '/term' }] : []),
    ...(drafts.size > 0 ? [{ key: 'drafts', words: say.drafts({ n: drafts.size }), href: '/everything' }] : []),
  ]; // prettier-ignore
}
