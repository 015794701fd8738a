import type { Moment } from '../time/zonedWall';
import { dayOf, isDay } from '../time/zonedWall';
import { matchesRule } from './expand';

/**
 * Where a series begins: its start, or the first later day that its rule names (within four years, which every rule with
 * a use reaches). RFC 5545 leaves a DTSTART outside its own rule undefined (section 3.8.5.3).
 */
export function firstOccurrence(start: Moment, rrule: string): Moment {
  const day = dayOf(start);
  const first = matchesRule(start, rrule, { from: day, to: day.add({ years: 4 }) });
  if (!first) return start;
  return isDay(start) ? first.toPlainDate() : { ...start, wall: first };
}
