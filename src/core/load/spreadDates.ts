import type { DayLoad } from './loadByDay';

export type Spreading = Readonly<{
  count: number;
  /** First and last day that may be taken, both included. */
  earliest: number;
  latest: number;
  /** Days at least from one to the next. */
  gap: number;
  isOpen: (day: number) => boolean;
}>;

export type Spread = Readonly<{
  /** In order. */
  days: readonly number[];
  /** Students who would have too much on one of these days, summed over the days. */
  alarmed: number;
}>;

/** How dear a day off the even rhythm is, beside a student who has something due already. */
const UNEVEN = 0.15;

/**
 * Days for so many pieces of work, spread over a stretch of the term: as evenly as the load of the days allows. Students who
 * would have too much weigh most, then those who have something due anyway, then the rhythm. Undefined where there is no
 * room for so many.
 */
export function spreadDates(
  load: readonly Pick<DayLoad, 'concerned' | 'alarmed'>[],
  { count, earliest, latest, gap, isOpen }: Spreading,
): Spread | undefined {
  const open: number[] = [];
  for (let day = Math.max(0, earliest); day <= Math.min(latest, load.length - 1); day++)
    if (isOpen(day)) open.push(day);
  if (count === 0 || open.length < count) return count === 0 ? { days: [], alarmed: 0 } : undefined;
  const step = count === 1 ? 0 : (latest - earliest) / (count - 1);
  const ideal = (i: number) => (count === 1 ? (earliest + latest) / 2 : earliest + i * step);
  const cost = (i: number, day: number) =>
    load[day]!.alarmed * 100 + load[day]!.concerned + UNEVEN * (day - ideal(i)) ** 2;
  // best[k]: the least cost of the pieces so far with the last of them on open[k].
  let best = open.map((day) => cost(0, day));
  const came: number[][] = [];
  for (let i = 1; i < count; i++) {
    const from: number[] = [];
    let cheapest = -1;
    let next = 0;
    const reached = open.map((day, k) => {
      // The cheapest predecessor far enough before: predecessors come into reach one after the other.
      while (next < k && open[next]! + gap <= day) {
        if (cheapest < 0 || best[next]! < best[cheapest]!) cheapest = next;
        next += 1;
      }
      from[k] = cheapest;
      return cheapest < 0 ? Infinity : best[cheapest]! + cost(i, day);
    });
    came.push(from);
    best = reached;
  }
  const least = Math.min(...best);
  if (!Number.isFinite(least)) return undefined;
  const days: number[] = [];
  let at = best.indexOf(least);
  for (let i = count - 1; i >= 0; i--) {
    days.unshift(open[at]!);
    if (i > 0) at = came[i - 1]![at]!;
  }
  return { days, alarmed: days.reduce((sum, day) => sum + load[day]!.alarmed, 0) };
}
