import { laterBy } from '../time/zonedWall';
import { detached } from './classDates';
import type { SharedEntry } from './entry';
import type { SharedFacts } from './facts';

/** What hangs on an entry's date and can be moved by itself. */
export const HANGING = ['shownFrom', 'setOn', 'opens', 'closes', 'hiddenAfter'] as const;
export type Hanging = (typeof HANGING)[number];

/**
 * An entry with one of its hanging dates some days later (below zero: earlier), at the same wall time; undefined where it
 * has no such date. "7 days before" becomes another number of days, at least 0.
 */
export function moveDate(entry: SharedEntry, field: Hanging, days: number): SharedFacts | undefined {
  if (field === 'hiddenAfter')
    return (
      entry.hiddenAfter && {
        ...entry,
        hiddenAfter: { ...entry.hiddenAfter, wall: laterBy(entry.hiddenAfter.wall, days) },
      }
    );
  if (field === 'shownFrom') {
    const { visibility } = entry;
    if (visibility.kind === 'from')
      return { ...entry, visibility: { ...visibility, from: laterBy(visibility.from, days) } };
    if (visibility.kind === 'before')
      return { ...entry, visibility: { ...visibility, days: Math.max(0, visibility.days - days) } };
    return undefined;
  }
  if (entry.kind !== 'assignment') return undefined;
  const value = entry[field];
  return value && { ...detached(entry, [field]), [field]: laterBy(value, days) };
}
