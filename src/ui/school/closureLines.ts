import type { Closure } from '@/core/time/closure';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { entryTexts } from '@/core/texts/entries';
import type { ClosureLine } from './ClosureList';

/** Closures as lines: `Reading week, Mon 9 Nov – Fri 13 Nov`. */
export const closureLines = (
  closures: readonly Closure[],
  removable: (closure: Closure) => boolean,
): ClosureLine[] =>
  closures.map((closure) => {
    const last = closure.end.subtract({ days: 1 });
    const days = last.equals(closure.start)
      ? dateLabel(closure.start)
      : `${dateLabel(closure.start)} – ${dateLabel(last)}`;
    return {
      id: closure.id,
      name: closure.closesAt
        ? entryTexts.closedFrom(closure.name, timeLabel(closure.closesAt))
        : closure.name,
      when: days,
      removable: removable(closure),
    };
  });
