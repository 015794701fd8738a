import { Temporal } from 'temporal-polyfill';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import type { Moment, ZonedWall } from '../time/zonedWall';
import { dayOf } from '../time/zonedWall';
import type { HiddenAfter, PlainVisibility, SharedEntry, Visibility } from './entry';
import { mainMoment } from './entry';
import type { SharedFacts } from './facts';

/** The visibility of an entry that falls on `moment`: "7 days before" begins with that day. */
export function visibilityFor(plain: PlainVisibility, moment: Moment, zone: Zone): Visibility {
  switch (plain.kind) {
    case 'draft':
    case 'visible':
      return { kind: plain.kind };
    case 'from':
      return { kind: 'from', from: plain.from, at: toInstant(zone, plain.from.wall) };
    case 'before': {
      const begins = dayOf(moment).subtract({ days: plain.days }).toPlainDateTime();
      return { kind: 'before', days: plain.days, at: toInstant(zone, begins) };
    }
    default:
      return plain satisfies never;
  }
}

export const hiddenAfterOf = (wall: ZonedWall, zone: Zone): HiddenAfter => ({
  wall,
  at: toInstant(zone, wall.wall),
});

/** Whether students see it already, and still: staff see the mark, students never meet anything but `shown`. */
export type Release = 'shown' | 'notYet' | 'draft' | 'over';

export function releaseAt(
  { visibility, hiddenAfter }: Pick<SharedEntry, 'visibility' | 'hiddenAfter'>,
  now: Temporal.Instant,
): Release {
  if (visibility.kind === 'draft') return 'draft';
  if (visibility.kind !== 'visible' && Temporal.Instant.compare(visibility.at, now) > 0) return 'notYet';
  if (hiddenAfter && Temporal.Instant.compare(hiddenAfter.at, now) <= 0) return 'over';
  return 'shown';
}

/** The instants at which time alone changes whether students see it. */
export const boundariesOf = ({ visibility, hiddenAfter }: SharedEntry): Temporal.Instant[] => [
  ...('at' in visibility ? [visibility.at] : []),
  ...(hiddenAfter ? [hiddenAfter.at] : []),
];

type Derived<E> = E & Readonly<{ visibility: Visibility; hiddenAfter?: HiddenAfter }>;

/** An entry with the instants that follow from its date and its zone. */
export const withInstants = <E extends SharedFacts>(entry: E, zone: Zone): Derived<E> => ({
  ...entry,
  visibility: visibilityFor(entry.visibility, mainMoment(entry), zone),
  hiddenAfter: entry.hiddenAfter && hiddenAfterOf(entry.hiddenAfter.wall, zone),
});
