import { Temporal } from 'temporal-polyfill';
import { searchable } from '../searchable';
import type { Term } from '../time/term';
import { dayOf, isDay } from '../time/zonedWall';
import type { ClosureRule, OutsideTime } from './outsideCalendar';
import { sourceOf } from './outsideShown';

/** A closure that a calendar asks for; `source` says by which of its times. */
export type AskedClosure = Readonly<{
  source: string;
  name: string;
  start: Temporal.PlainDate;
  end: Temporal.PlainDate;
  closesAt?: Temporal.PlainTime;
}>;

/** Whether a time closes the school: by its title, letter case and accents aside. */
export const isClosing = (rule: ClosureRule, title: string): boolean =>
  rule.kind === 'all' ||
  (rule.kind === 'matching' && rule.words.some((word) => searchable(title).includes(searchable(word))));

/**
 * The closures of a term that a calendar asks for by its rule. Whole days close them; a time of day closes the rest of that
 * day (early closing). What is called off closes nothing.
 */
export function closuresFrom(
  rule: ClosureRule,
  times: readonly OutsideTime[],
  term: Pick<Term, 'startsOn' | 'endsOn'>,
): AskedClosure[] {
  return times.flatMap((time): AskedClosure[] => {
    if (time.cancelled || !isClosing(rule, time.title)) return [];
    const { start } = time;
    const first = dayOf(start);
    const end = isDay(start) && time.end && isDay(time.end) ? time.end : first.add({ days: 1 });
    const outside =
      Temporal.PlainDate.compare(end, term.startsOn) <= 0 ||
      Temporal.PlainDate.compare(first, term.endsOn) > 0;
    if (outside) return [];
    const source = sourceOf(time);
    return [
      {
        source,
        name: time.title,
        start: first,
        end,
        ...(isDay(start) ? {} : { closesAt: start.wall.toPlainTime() }),
      },
    ];
  });
}
