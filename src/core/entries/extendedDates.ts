import type { Temporal } from 'temporal-polyfill';
import { requireZone } from '../time/zoneData';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, laterBy, momentText } from '../time/zonedWall';
import type { AssignmentEntry, Extension, HiddenAfter } from './entry';
import { hiddenAfterOf } from './visibility';

type Dates = Pick<AssignmentEntry, 'tzid' | 'due' | 'closes' | 'hiddenAfter'>;
/** The dates that one student has. */
export type ExtendedDates = Readonly<{ due: Moment; closes?: Moment; hiddenAfter?: HiddenAfter }>;

/** Compares moments as what ends with them: a day by its last minute. */
const endOf = (moment: Moment): string =>
  isDay(moment) ? `${momentText(moment)}T23:59` : momentText(moment);

/** A day or a wall time as the wall time that it ends with. */
const wallOf = (moment: Moment, tzid: string) =>
  isDay(moment) ? { wall: moment.toPlainDateTime('23:59'), tzid } : moment;

/**
 * What an extension comes to: when the work closes and ceases to be seen goes as many days along as the due time, unless it
 * is said otherwise, and never comes before it.
 */
export function extendedDates(
  { tzid, due, closes, hiddenAfter }: Dates,
  extension: Extension,
): ExtendedDates {
  const days = Math.max(0, dayOf(due).until(dayOf(extension.due), { largestUnit: 'days' }).days);
  const notBefore = (moment: Moment): Moment =>
    endOf(moment) < endOf(extension.due) ? extension.due : moment;
  const ownCloses = extension.closes ?? (closes && notBefore(laterBy(closes, days)));
  const zone = requireZone(tzid);
  const moved = hiddenAfter && notBefore(laterBy(hiddenAfter.wall, days));
  const ownHidden = extension.hiddenAfter ?? (moved && hiddenAfterOf(wallOf(moved, tzid), zone));
  return {
    due: extension.due,
    ...(ownCloses ? { closes: ownCloses } : {}),
    ...(ownHidden ? { hiddenAfter: ownHidden } : {}),
  };
}

/** The instants at which single students cease to see an assignment. */
export const extendedBoundaries = (entry: AssignmentEntry): Temporal.Instant[] =>
  entry.extensions.flatMap((extension) => extendedDates(entry, extension).hiddenAfter?.at ?? []);
