import type { DayLoad } from './loadByDay';

/** A day to choose, with how many of the students have something due then, and would have too much. */
export type CandidateDay = Readonly<{ day: number; concerned: number; alarmed: number }>;

const AROUND = 7;
const MOST = 3;

/**
 * Better days near one that is chosen, best first: fewer who would have too much, then fewer who have anything, then the
 * nearest, then the earlier one. `load` is without what is being dated. Only open days count.
 */
export function betterDays(
  load: readonly Pick<DayLoad, 'concerned' | 'alarmed'>[],
  { day, isOpen }: Readonly<{ day: number; isOpen: (day: number) => boolean }>,
): CandidateDay[] {
  const chosen = load[day];
  if (!chosen) return [];
  const worth = (c: Pick<DayLoad, 'concerned' | 'alarmed'>) => c.alarmed * 10_000 + c.concerned;
  return Array.from({ length: 2 * AROUND + 1 }, (_, i) => day - AROUND + i)
    .flatMap((at) => {
      const there = load[at];
      return there && isOpen(at) && worth(there) < worth(chosen) ? [{ day: at, concerned: there.concerned, alarmed: there.alarmed }] : []; // prettier-ignore
    })
    .sort((a, b) => worth(a) - worth(b) || Math.abs(a.day - day) - Math.abs(b.day - day) || a.day - b.day)
    .slice(0, MOST);
}
