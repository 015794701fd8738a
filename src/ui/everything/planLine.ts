import type { PlanLine } from '@/core/exchange/list/listFormat';
import { entryTexts } from '@/core/texts/entries';
import type { EverythingRow } from './everythingView';

/** A row of the list as a file of it holds it. */
export const planLine = (row: EverythingRow): PlanLine => ({
  week: row.week,
  date: row.start.slice(0, 10),
  day: row.day,
  until: row.until,
  time: row.time,
  tags: row.tags.map(({ tag }) => tag).join(' '),
  kind: entryTexts.kind[row.kind],
  title: row.title,
  link: row.link,
  shown: row.off ? entryTexts.cancelledShort : entryTexts.release[row.release],
});
