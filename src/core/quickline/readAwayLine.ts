import { Temporal } from 'temporal-polyfill';
import type { DayContext, TypedDay } from '../time/typedDay';
import { readDay } from '../time/typedDay';

/** A line by which somebody is away: the days as they were typed. */
export type AwayLine = Readonly<{ from: TypedDay; to: TypedDay }>;

const FORM =
  /^\s*(?:i\s+am\s+|i['’]m\s+)?away\s+(?:(until|till)\s+)?(.+?)(?:\s*(?:\bto\b|\buntil\b|\bthrough\b|–)\s*(.+?))?\s*$/i;

/**
 * Reads a line that says that one is away; undefined where it says something else, as "Away match Friday" does.
 *
 * @example readAwayLine('away until Thu', context) // from today to Thursday, both included
 */
export function readAwayLine(line: string, context: DayContext): AwayLine | undefined {
  const [, until, first, last] = FORM.exec(line) ?? [];
  if (first === undefined) return undefined;
  const day = readDay(first, context);
  const to = last === undefined ? day : readDay(last, context);
  const from: TypedDay = until ? { kind: 'day', day: context.today } : day;
  if (from.kind === 'unreadable' || to.kind === 'unreadable') return undefined;
  if (from.kind === 'day' && to.kind === 'day' && Temporal.PlainDate.compare(from.day, to.day) > 0)
    return undefined;
  return { from, to };
}
