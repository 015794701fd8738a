import type { Occurrence } from '@/core/plan/occurrence';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { plainText } from '@/core/richText/plainText';
import { dayOf } from '@/core/time/zonedWall';
import { textsOf } from '../daySheet/daySheetView';
import { dayLine } from './dayLines';

/** Longer texts end so: a device keeps what one reads on the way, not a book. */
const MOST = 2000;

/** What stands on the day sheets of some days (`2026-10-15`), as plain text by the keys of their lines. */
export function keptTexts(
  plan: SeenPlan,
  occurrences: readonly Occurrence[],
  days: ReadonlySet<string>,
): Record<string, string> {
  const textOf = textsOf(plan);
  const near = occurrences.filter(({ start }) => days.has(dayOf(start).toString()));
  return Object.fromEntries(
    near.flatMap((o) => {
      const text = plainText(textOf(o).text);
      return text === ''
        ? []
        : [[dayLine(o, plan).key, text.length > MOST ? `${text.slice(0, MOST)}…` : text]];
    }),
  );
}
