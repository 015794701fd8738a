import type { Temporal } from 'temporal-polyfill';
import type { DayContext, TypedDay } from '../time/typedDay';
import { readDay } from '../time/typedDay';
import { readTime } from '../time/typedTime';

/** What happens on the days: nothing, a late beginning, an early end, classes without a room. */
export const CLOSINGS = ['whole', 'late', 'early', 'online'] as const;
export type Closing = (typeof CLOSINGS)[number];

/** A line that closes a day: what was typed as the day, what happens then, from or until when, and what for. */
export type ClosureLine = Readonly<{
  day: TypedDay;
  closing: Closing;
  at?: Temporal.PlainTime;
  name: string;
}>;

const NAMED = String.raw`(?:on\s+)?([^:]+?)\s*(?::\s*(.*))?$`;
const CLOSED = new RegExp(
  String.raw`^\s*(?:no\s+(?:class(?:es)?|school)|school\s+(?:is\s+)?closed)\s+${NAMED}`,
  'i',
);
const ONLINE = new RegExp(String.raw`^\s*(?:classes|school)\s+(?:are\s+|is\s+)?online\s+${NAMED}`, 'i');
const HOURS = new RegExp(
  String.raw`^\s*(?:classes|school)\s+(opens?|begins?|starts?|closes?|ends?)\s+(?:at\s+)?(noon|\d{1,2}(?:[:.]\d{2})?\s*(?:[ap]m?(?![a-z]))?)\s+${NAMED}`,
  'i',
);

/** The likelier reading of a typed time: nobody begins at two at night, and nothing closes then. */
function clock(text: string, closing: 'late' | 'early'): Temporal.PlainTime | undefined {
  const read = readTime(text);
  if (read.kind === 'unreadable') return undefined;
  return read.kind === 'time' ? read.time : read.readings[closing === 'late' ? 1 : 0];
}

/**
 * Reads a line that says what closes on a day; undefined where it says something else.
 *
 * @example readClosureLine('no classes Tue 20 Oct: storm', context) // whole, 2026-10-20, 'storm'
 * @example readClosureLine('school opens at 10 tomorrow: ice', context) // late, until 10:00
 */
export function readClosureLine(line: string, context: DayContext): ClosureLine | undefined {
  const [, verb, time = '', then = '', reason = ''] = HOURS.exec(line) ?? [];
  if (verb !== undefined) {
    const closing = /^(?:o|b|s)/i.test(verb) ? 'late' : 'early';
    const at = clock(time, closing);
    return at && { day: readDay(then, context), closing, at, name: reason.trim() };
  }
  const online = ONLINE.exec(line);
  const [, day, name = ''] = online ?? CLOSED.exec(line) ?? [];
  if (day === undefined) return undefined;
  return { day: readDay(day, context), closing: online ? 'online' : 'whole', name: name.trim() };
}
