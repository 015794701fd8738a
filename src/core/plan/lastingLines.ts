import type { Occurrence } from './occurrence';
import { inLanes } from './lanes';
import { lastDayText } from './occurrenceDays';
import { dayOf, isDay, momentText } from '../time/zonedWall';

/** A column of a week: its first and its last date, as text. */
export type Column = Readonly<{ first: string; last: string }>;
/** What lasts, across the columns of a week that it touches. */
export type LastingLine = Readonly<{
  occurrence: Occurrence;
  lane: number;
  /** The first and the last column, from 0, both included. */
  from: number;
  to: number;
  /** Whether it begins, and ends, in this week. */
  begins: boolean;
  ends: boolean;
  /** Its last day. */
  last: string;
}>;

const LASTING: ReadonlySet<Occurrence['kind']> = new Set(['event', 'outside', 'siteDate']);

/** What is drawn as a line where it goes over several days. A closure is the ground of its days; a class of the night is its evening's. */
const lasts = ({ kind, start }: Occurrence): boolean =>
  LASTING.has(kind) || (kind === 'class' && isDay(start));

/**
 * What goes over several days as one line a week, in lanes: what stays within one column, or finds no lane below `most`, is
 * not among them and stands on its days.
 */
export function lastingLines(
  occurrences: readonly Occurrence[],
): (columns: readonly Column[], most: number) => LastingLine[] {
  const lasting = occurrences.flatMap((occurrence) => {
    const [first, last] = [momentText(dayOf(occurrence.start)), lastDayText(occurrence)];
    return lasts(occurrence) && first !== last ? [{ occurrence, first, last }] : [];
  });
  return (columns, most) => {
    const [begin, end] = [columns[0]!.first, columns.at(-1)!.last];
    const reaching = lasting.flatMap(({ occurrence, first, last }) => {
      const touched = columns.flatMap((column, i) => (first <= column.last && last >= column.first ? [i] : []));
      const [begins, ends] = [first >= begin, last <= end];
      if (touched.length === 0 || (begins && ends && touched.length < 2)) return [];
      return [{ occurrence, last, begins, ends, start: touched[0]!, end: touched.at(-1)! + 1 }];
    }); // prettier-ignore
    return inLanes(reaching).flatMap(({ start, end: after, lanes: _, ...line }) =>
      line.lane < most ? [{ ...line, from: start, to: after - 1 }] : [],
    );
  };
}

/** How many lanes some lines take. */
export const lanesOf = (lines: readonly Pick<LastingLine, 'lane'>[]): number =>
  Math.max(-1, ...lines.map(({ lane }) => lane)) + 1;
