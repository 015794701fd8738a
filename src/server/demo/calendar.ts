import { Temporal } from 'temporal-polyfill';
import type { ClosureId, SiteDateId, TermId } from '@/core/ids';
import type { SiteDate } from '@/core/plan/plan';
import type { Closure } from '@/core/time/closure';
import { weekStartOf } from '@/core/time/term';
import { demoId } from './demoIds';

/** The demo's term: laid so that the day it is made lies in week 6, Tuesday of week 1 to Friday of week 15. */
export type DemoTerm = Readonly<{
  name: string;
  startsOn: Temporal.PlainDate;
  endsOn: Temporal.PlainDate;
  tzid: string;
  /** The date of a weekday (1 is Monday) in a teaching week. */
  day: (week: number, weekday: number) => Temporal.PlainDate;
}>;

const SEASONS = ['Winter', 'Spring', 'Summer', 'Autumn'];

export function demoTerm(today: Temporal.PlainDate): DemoTerm {
  const first = weekStartOf(today).subtract({ weeks: 5 });
  const season = SEASONS[Math.floor((first.month % 12) / 3)]!;
  return {
    name: `${season} ${first.year}`,
    startsOn: first.add({ days: 1 }),
    endsOn: first.add({ weeks: 14, days: 4 }),
    tzid: 'America/Halifax',
    day: (week, weekday) => first.add({ weeks: week - 1, days: weekday - 1 }),
  };
}

/** A day, a long weekend, a reading week, and an afternoon that ends early. */
export function demoClosures(term: DemoTerm, now: Temporal.Instant): Closure[] {
  const closure = (name: string, start: Temporal.PlainDate, days: number, closesAt?: string): Closure => ({
    id: demoId<ClosureId>(`closure ${name}`),
    term: demoId<TermId>('term'),
    name,
    start,
    end: start.add({ days }),
    closesAt: closesAt ? Temporal.PlainTime.from(closesAt) : undefined,
    created: now,
  });
  return [
    closure('Founders’ day', term.day(4, 3), 1),
    closure('Harvest holiday', term.day(6, 1), 1),
    closure('Reading week', term.day(10, 1), 5),
    closure('Regatta', term.day(12, 3), 1, '13:00'),
  ];
}

/** A deadline for everyone, and a day of the whole school. */
export function demoSiteDates(term: DemoTerm, now: Temporal.Instant): SiteDate[] {
  const date = (name: string, start: Temporal.PlainDate, at?: string): SiteDate => ({
    id: demoId<SiteDateId>(`date ${name}`),
    term: demoId<TermId>('term'),
    name,
    start,
    end: start.add({ days: 1 }),
    at: at ? Temporal.PlainTime.from(at) : undefined,
    created: now,
  });
  return [
    date('Last day to drop a course', term.day(9, 5), '16:00'),
    date('Examinations begin', term.day(15, 1)),
  ];
}
