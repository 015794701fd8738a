import type { PatternClass } from './pattern';
import { readRange } from './typedTime';

export type TypedPattern =
  | Readonly<{ ok: true; classes: readonly PatternClass[] }>
  | Readonly<{
      ok: false;
      /** The part that could not be read. */ part: string;
      why: 'day' | 'time' | 'ask' | 'backwards';
    }>;

const WEEKDAYS: readonly (readonly [RegExp, number])[] = [
  [/^m(o|on|onday|ondays)?$/, 1],
  [/^tu(e|es|esday|esdays)?$/, 2],
  [/^w(e|ed|ednesday|ednesdays)?$/, 3],
  [/^th(u|ur|urs|ursday|ursdays)?$/, 4],
  [/^f(r|ri|riday|ridays)?$/, 5],
  [/^sa(t|turday|turdays)?$/, 6],
  [/^su(n|nday|ndays)?$/, 7],
];

/** The ISO weekday that a word names, in full or for short. */
export const weekdayNamed = (word: string): number | undefined =>
  WEEKDAYS.find(([pattern]) => pattern.test(word.toLowerCase()))?.[1];

/**
 * Reads a section's week as people write it: `Tue Thu 10-11:50`, `Mon 9-10; Fri 13:00-15:00`. Parts are separated by
 * semicolons or line breaks; each names days and then one range. Nothing at all is a section that does not meet.
 */
export function readPattern(text: string): TypedPattern {
  const classes: PatternClass[] = [];
  for (const part of text
    .split(/[;\n]/)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const at = part.search(/\d|\bnoon\b/i);
    const words = (at < 0 ? part : part.slice(0, at)).split(/[\s,/+&]+|\band\b/i).filter(Boolean);
    const days = words.map(weekdayNamed);
    if (days.length === 0 || days.includes(undefined)) return { ok: false, part, why: 'day' };
    const range = readRange(at < 0 ? '' : part.slice(at));
    if (range.kind === 'ask') return { ok: false, part, why: 'ask' };
    if (range.kind === 'backwards') return { ok: false, part, why: 'backwards' };
    if (range.kind === 'unreadable') return { ok: false, part, why: 'time' };
    for (const weekday of days) classes.push({ weekday: weekday!, start: range.start, end: range.end });
  }
  return { ok: true, classes };
}
