import type { DayContext, TypedDay } from '../time/typedDay';
import { readDay } from '../time/typedDay';

/** A line that closes a day: what was typed as the day, and what for. */
export type ClosureLine = Readonly<{ day: TypedDay; name: string }>;

const FORM = /^\s*no\s+(?:class(?:es)?|school)\s+(?:on\s+)?([^:]+?)\s*(?::\s*(.*))?$/i;

/**
 * Reads a line that says that a day has no classes; undefined where it says something else.
 *
 * @example readClosureLine('no classes Tue 20 Oct: storm', context) // { day: 2026-10-20, name: 'storm' }
 */
export function readClosureLine(line: string, context: DayContext): ClosureLine | undefined {
  const [, day, name = ''] = FORM.exec(line) ?? [];
  return day === undefined ? undefined : { day: readDay(day, context), name: name.trim() };
}
