import type { SiteDate } from '@/core/plan/plan';
import type { Closure } from '@/core/time/closure';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { outsideTexts } from '@/core/texts/outside';
import { closureTitle } from '@/core/plan/closureTitle';
import type { RemovableLine } from './RemovableList';

/** `Mon 9 Nov – Fri 13 Nov`, or the one day. */
function daysOf({ start, end }: Pick<Closure, 'start' | 'end'>, locale: string): string {
  const last = end.subtract({ days: 1 });
  return last.equals(start)
    ? dateLabel(start, 'short', locale)
    : `${dateLabel(start, 'short', locale)} – ${dateLabel(last, 'short', locale)}`;
}

/** Closures as lines: `Reading week, Mon 9 Nov – Fri 13 Nov`. */
export const closureLines = (
  closures: readonly Closure[],
  locale: string,
  removable: (closure: Closure) => boolean,
): RemovableLine[] =>
  closures.map((closure) => ({
    id: closure.id,
    name: closureTitle(closure.name, closure, locale),
    when: closure.from ? `${daysOf(closure, locale)} · ${outsideTexts.asked}` : daysOf(closure, locale),
    // What an outside calendar asks for is taken back there.
    removable: !closure.from && removable(closure),
  }));

export const siteDateLines = (dates: readonly SiteDate[], locale: string): RemovableLine[] =>
  dates.map((date) => ({
    id: date.id,
    name: date.name,
    when: date.at ? `${daysOf(date, locale)}, ${timeLabel(date.at, locale)}` : daysOf(date, locale),
    removable: true,
  }));
