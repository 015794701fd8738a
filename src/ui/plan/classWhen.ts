import { entryTexts } from '@/core/texts/entries';
import { dateLabel, rangeLabel } from '@/core/time/dateLabels';
import type { Meeting } from '@/core/time/meetings';

/** When a class is, behind its day in words: `Thu 15 Oct, 10:00–11:50`, of a teaching week `Mon 12 Oct until Sun 18 Oct`. */
export const classWhen = (
  day: string,
  { start, end, until }: Pick<Meeting, 'start' | 'end' | 'until'>,
  locale: string,
): string =>
  until
    ? entryTexts.untilDay({ day, last: dateLabel(until.subtract({ days: 1 }), 'short', locale) })
    : `${day}, ${rangeLabel(start, end, locale)}`;
