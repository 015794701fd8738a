import type { Temporal } from 'temporal-polyfill';
import { mondayOf } from '@/core/time/term';

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
  const first = mondayOf(today).subtract({ weeks: 5 });
  const season = SEASONS[Math.floor((first.month % 12) / 3)]!;
  return {
    name: `${season} ${first.year}`,
    startsOn: first.add({ days: 1 }),
    endsOn: first.add({ weeks: 14, days: 4 }),
    tzid: 'America/Halifax',
    day: (week, weekday) => first.add({ weeks: week - 1, days: weekday - 1 }),
  };
}
