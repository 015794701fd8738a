import type { LoadItem } from './loadItem';

const USUAL_DAYS = 7;

/**
 * The minutes of work that an item asks for on each day: evenly from the day it is given out to the day it is due, both
 * included. Days outside the term are worked on its first or last.
 */
export function spreadMinutes(
  { set, due, minutes = 0 }: Pick<LoadItem, 'set' | 'due' | 'minutes'>,
  days: number,
): ReadonlyMap<number, number> {
  const first = Math.min(set ?? due - USUAL_DAYS, due);
  const share = minutes / (due - first + 1);
  const spread = new Map<number, number>();
  for (let day = first; day <= due; day++) {
    const within = Math.min(Math.max(day, 0), days - 1);
    spread.set(within, (spread.get(within) ?? 0) + share);
  }
  return spread;
}

/**
 * What a student does in each week, on average over all of them, in minutes: an item counts for those whom it concerns.
 * `weekOf` gives the number of the week, from 0, that each day lies in.
 */
export function workByWeek(
  items: readonly LoadItem[],
  { weekOf, students }: Readonly<{ weekOf: readonly number[]; students: number }>,
): number[] {
  const weeks = new Array<number>((weekOf.at(-1) ?? -1) + 1).fill(0);
  if (students === 0) return weeks;
  for (const item of items) {
    if (!item.minutes) continue;
    const share = item.people.length / students;
    for (const [day, minutes] of spreadMinutes(item, weekOf.length)) weeks[weekOf[day]!]! += minutes * share;
  }
  return weeks;
}

/**
 * What a course may ask for in a week of a term: for each credit an hour of class and, at least, two hours out of class, as
 * the credit hour of the United States is defined (34 CFR 600.2; unverified against its text). A course may name its own hours
 * instead. In minutes; undefined where it says neither (no credits say nothing).
 */
export function expectedMinutes({
  credits,
  weeklyHours,
}: Readonly<{ credits?: number; weeklyHours?: number }>): number | undefined {
  if (weeklyHours !== undefined) return weeklyHours * 60;
  return credits ? credits * 3 * 60 : undefined;
}
