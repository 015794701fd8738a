import type { Strand } from './classNumber';
import { STRANDS, strandNamed } from './classNumber';
import type { OnDays, PatternClass, Weeks } from './pattern';
import { BY_WEEK } from './pattern';
import { readRange } from './typedTime';
import { weekdayNamed } from './weekdayNames';

export type TypedPattern =
  | Readonly<{ ok: true; classes: readonly PatternClass[] }>
  | Readonly<{
      ok: false;
      /** The part that could not be read. */ part: string;
      why: 'day' | 'time' | 'ask' | 'backwards' | 'weeks';
    }>;

const TIME = String.raw`(?:noon|midday|midnight|\d{1,2}(?:[:.h]?\d{2})?\s*(?:a\.m\.|p\.m\.|[ap]m?(?![a-z]))?)`;
/** Days, and then the last range of times. */
const DAYS_AND_TIMES = new RegExp(
  String.raw`^(.*?)(${TIME}\s*(?:-|–|—|\bto\b|\buntil\b)\s*${TIME})\s*,?\s*$`,
  'i',
);
const AFTERWARDS = /[,\s]+(?=(?:odd|even|every|weeks?)\b|(?:in|at)\s)/i;
const PLACE = /(?:^|[,\s]+)(?:in|at)\s+(.+)$/i;
const EVERY =
  /^every\s+(other|second|third|fourth|\d{1,2})(?:nd|rd|th)?\s+weeks?(?:,?\s+from\s+week\s+(\d{1,2}))?$/i;
const COUNTS: Readonly<Record<string, number>> = { other: 2, second: 2, third: 3, fourth: 4 };
const ONLY =
  /^weeks?\s+(\d{1,2}(?:\s*-\s*\d{1,2})?(?:(?:\s*[,&+]\s*|\s+and\s+|\s+)\d{1,2}(?:\s*-\s*\d{1,2})?)*)$/i;
const LAST_WEEK = 60;

/** Which weeks some words name; undefined for none, null where they cannot be read. */
function readWeeks(text: string): Weeks | undefined | null {
  if (text === '' || /^(?:every|all) weeks?$/i.test(text)) return undefined;
  if (/^odd weeks?$/i.test(text)) return { every: 2, from: 1 };
  if (/^even weeks?$/i.test(text)) return { every: 2, from: 2 };
  const [, count, from] = EVERY.exec(text) ?? [];
  if (count !== undefined) {
    const every = COUNTS[count.toLowerCase()] ?? Number(count);
    const first = Number(from ?? 1);
    return every >= 1 && first >= 1 ? { every, from: first } : null;
  }
  const [, list] = ONLY.exec(text) ?? [];
  if (list === undefined) return null;
  const only = [...list.matchAll(/(\d{1,2})(?:\s*-\s*(\d{1,2}))?/g)].flatMap(([, first, last]) =>
    Array.from(
      { length: Math.max(0, Number(last ?? first) - Number(first) + 1) },
      (_, i) => Number(first) + i,
    ),
  );
  const isReadable = only.length > 0 && only.every((week) => week >= 1 && week <= LAST_WEEK);
  return isReadable ? { only: [...new Set(only)].sort((a, b) => a - b) } : null;
}

/** The days that a part begins with: weekdays, or `Day A`, `Days 1, 3` of a rotation. */
function readDays(text: string): OnDays[] | undefined {
  const [, cycle] = /^days?\s+(.*)$/i.exec(text.trim()) ?? [];
  const words = (cycle ?? text).split(/[\s,/+&]+|\band\b/i).filter(Boolean);
  if (words.length === 0) return undefined;
  if (cycle !== undefined)
    return words.every((word) => /^[a-z\d]{1,3}$/i.test(word))
      ? words.map((word) => ({ cycleDay: word.toUpperCase() }))
      : undefined;
  const days = words.map(weekdayNamed);
  return days.every((day) => day !== undefined) ? days.map((weekday) => ({ weekday })) : undefined;
}

/** A strand begins a part of its own, behind a comma as well. */
const PARTS = new RegExp(String.raw`[;\n]|,(?=\s*(?:${STRANDS.join('|')})s?\b)`, 'i');

/** What a part of a week says is not a class, and the rest of it. */
function strandOf(part: string): { strand?: Strand; rest: string } {
  const [whole = '', word = ''] = /^(\p{L}+):?\s+/u.exec(part) ?? [];
  const strand = strandNamed(word);
  return strand ? { strand, rest: part.slice(whole.length) } : { rest: part };
}

/** Reads one part of a week; several classes where it names several days. */
function readPart(whole: string): TypedPattern {
  const refused = (why: Extract<TypedPattern, { ok: false }>['why']) =>
    ({ ok: false, part: whole, why }) as const;
  const { strand, rest: part } = strandOf(whole);
  const at = part.search(AFTERWARDS);
  const [, daysText, times] = DAYS_AND_TIMES.exec(at < 0 ? part : part.slice(0, at)) ?? [];
  const days = readDays(daysText ?? part.replace(/[\d\s].*$/, ''));
  if (!days) return refused('day');
  const range = readRange(times ?? '', { nights: true });
  if (range.kind === 'unreadable') return refused('time');
  if (range.kind !== 'range') return refused(range.kind);
  const words = (at < 0 ? '' : part.slice(at)).replace(/^[,\s]+/, '');
  const place = PLACE.exec(words)?.[1]?.trim();
  const weeks = readWeeks(words.replace(PLACE, '').trim());
  if (weeks === null) return refused('weeks');
  const { start, end } = range;
  return {
    ok: true,
    classes: days.map((day) => ({
      ...day,
      start,
      end,
      ...(weeks ? { weeks } : {}),
      ...(place ? { place } : {}),
      ...(strand ? { strand } : {}),
    })),
  };
}

/**
 * Reads a section's week as people write it: `Tue Thu 10-11:50`, `Mon 9-10; Fri 13:00-15:00`. Parts are separated by
 * semicolons or line breaks; each names days, then one range, then which weeks and where: `Wed 2p-5p, odd weeks in Shed 2`,
 * `Day A 9-10`, `Fri 22-1`; what counts apart is named first: `lab Fri 14-17`. Nothing at all is a section that does not
 * meet, `by week` one that does not and is planned all the same.
 */
export function readPattern(text: string): TypedPattern {
  if (/^\s*by\s+weeks?\s*$/i.test(text)) return { ok: true, classes: [BY_WEEK] };
  const classes: PatternClass[] = [];
  for (const part of text
    .split(PARTS)
    .map((p) => p.trim())
    .filter(Boolean)) {
    const read = readPart(part);
    if (!read.ok) return read;
    classes.push(...read.classes);
  }
  return { ok: true, classes };
}
