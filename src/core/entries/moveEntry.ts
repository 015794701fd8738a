import type { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import type { Entry } from './entry';
import type { MomentChange } from './mapMoments';
import { mapMoments } from './mapMoments';
import { detached } from './classDates';
import { withInstants } from './visibility';

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
  { days, along, zone, now }: { days: number; along: boolean; zone: Zone; now: Temporal.Instant },
): Entry {
  const free =
    entry.kind === 'assignment'
      ? detached(entry, along ? ['setOn', 'opens', 'due', 'closes'] : ['due'])
      : entry;
  const moved = mapMoments(free, by(days), along ? by(days) : STAY);
  const grown = { ...moved, sequence: entry.sequence + 1, lastModified: now };
  return grown.kind === 'note' ? grown : withInstants(grown, zone);
}
