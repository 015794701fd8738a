import { Temporal } from 'temporal-polyfill';
import type { Pattern, PatternClass } from './pattern';
import { patternOn } from './pattern';

const in_ = (classes: readonly PatternClass[], place: string | undefined): PatternClass[] =>
  classes.map((c) => {
    const { place: _, ...elsewhere } = c;
    return place === undefined ? (elsewhere as PatternClass) : { ...c, place };
  });

/**
 * The patterns with other rooms from a day on, and, where a last day is given, the rooms of before after it. `place` undefined:
 * where the course's classes are.
 */
export function placeFrom(
  patterns: readonly Pattern[],
  { from, until, place }: Readonly<{ from: Temporal.PlainDate; until?: Temporal.PlainDate; place?: string }>,
): Pattern[] {
  const next = until?.add({ days: 1 });
  const at = (date: Temporal.PlainDate): Pattern => ({
    from: date,
    classes: patternOn(patterns, date)?.classes ?? [],
  });
  const isIn = ({ from: begins }: Pattern) =>
    Temporal.PlainDate.compare(begins, from) >= 0 && (!next || Temporal.PlainDate.compare(begins, next) < 0);
  const kept = patterns.filter((pattern) => !isIn(pattern) && !(next && pattern.from.equals(next)));
  const inside = [at(from), ...patterns.filter((pattern) => isIn(pattern) && !pattern.from.equals(from))];
  return [
    ...kept,
    ...inside.map((pattern) => ({ ...pattern, classes: in_(pattern.classes, place) })),
    ...(next ? [at(next)] : []),
  ].sort((a, b) => Temporal.PlainDate.compare(a.from, b.from));
}
