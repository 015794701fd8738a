import type { Moment } from '../time/zonedWall';
import { momentText } from '../time/zonedWall';

/** One occurrence that differs from its series; what is absent is as in the series. */
export type Override = Readonly<{
  recurrenceId: Moment;
  start?: Moment;
  end?: Moment;
  title?: string;
  place?: string;
  /** Formatted text, as the entry's own. */
  description?: string;
  /** Called off, visibly; the reason may be empty. */
  cancelled?: string;
}>;

/**
 * How an event repeats. `rrule` is RFC 5545's RRULE value with one difference: UNTIL is the wall time of the series'
 * own zone (or a date), so that it means the same when the zone's offset changes; the writer turns it into UTC
 * (section 3.3.10).
 */
export type Recurrence = Readonly<{
  rrule: string;
  /** Occurrences that are gone. */
  exdates: readonly Moment[];
  /** Those on days without classes, of a series which skips them: derived from the closures. Absent: it takes place all the same. */
  closed?: readonly Moment[];
  overrides: readonly Override[];
}>;

/** The occurrences that do not take place: those that are gone, and those on days without classes. */
export const goneFrom = ({
  exdates,
  closed = [],
}: Pick<Recurrence, 'exdates' | 'closed'>): readonly Moment[] =>
  closed.length === 0 ? exdates : [...exdates, ...closed];

/** What is said of one occurrence by itself. */
export const overrideAt = (
  recurrence: Pick<Recurrence, 'overrides'> | undefined,
  recurrenceId: Moment | undefined,
): Override | undefined =>
  recurrenceId && recurrence?.overrides.find((o) => momentText(o.recurrenceId) === momentText(recurrenceId));
