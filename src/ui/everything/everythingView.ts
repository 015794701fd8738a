import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrences';
import { touching } from '@/core/plan/occurrences';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel } from '@/core/time/dateLabels';
import { weekNumber } from '@/core/time/term';
import { dayOf } from '@/core/time/zonedWall';
import type { PlanItem } from '../plan/planItem';
import { dayLine } from '../student/dayLines';
import type { SeenTerm, Tag } from '../term/termView';
import { planItemOf } from '../term/termView';

/** One line of the list, as plain text. */
export type EverythingRow = PlanItem &
  Readonly<{
    kind: Occurrence['kind'];
    kindLabel: string;
    week: number;
    day: string;
    time: string;
    tags: readonly Tag[];
    detail: string;
    off: boolean;
    release: Occurrence['release'];
    releaseLabel: string;
  }>;

/** Everything between two days, both included, one line each, in the order of time. */
export function everythingView(
  { plan, term, occurrences, mayMove }: SeenTerm,
  { from, to }: { from: Temporal.PlainDate; to: Temporal.PlainDate },
): EverythingRow[] {
  return touching(occurrences)(from, to).map((o) => {
    const { title, time, tags, detail, off } = dayLine(o, plan);
    return {
      ...planItemOf(o, mayMove),
      title,
      kind: o.kind,
      kindLabel: entryTexts.kind[o.kind],
      week: weekNumber(term, dayOf(o.start)) ?? 0,
      day: dateLabel(dayOf(o.start), 'short', plan.locale),
      time,
      tags,
      detail,
      off,
      release: o.release,
      releaseLabel: entryTexts.release[o.release],
    };
  });
}
