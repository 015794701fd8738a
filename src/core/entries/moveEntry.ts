import type { Entry } from './entry';
import type { EntryFacts } from './facts';
import type { MomentChange } from './mapMoments';
import { mapMoments } from './mapMoments';
import { detached } from './classDates';

const STAY: MomentChange = { wall: (wall) => wall, day: (day) => day };
const by = (days: number): MomentChange => ({
  wall: (at) => ({ ...at, wall: at.wall.add({ days }) }),
  day: (day) => day.add({ days }),
});

/**
 * An entry some days later (or earlier, below zero), at the same wall time; a series moves with all its occurrences. With
 * `along`, what hangs on its date comes along by the same distance: the day an assignment is set, opens, closes,
 * extended due times, and the moments it is shown from and hidden after. A date that followed a class stays where it is put.
 */
export function moveEntry(
  entry: Entry,
  { days, along }: Readonly<{ days: number; along: boolean }>,
): EntryFacts {
  const free =
    entry.kind === 'assignment'
      ? detached(entry, along ? ['setOn', 'opens', 'due', 'closes'] : ['due'])
      : entry;
  return mapMoments(free, by(days), along ? by(days) : STAY);
}
