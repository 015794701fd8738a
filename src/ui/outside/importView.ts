import type { ImportLine } from '@/core/exchange/compareCalendar';
import { dateLabel } from '@/core/time/dateLabels';
import { dayOf, isDay, momentFrom } from '@/core/time/zonedWall';
import { timeLabel } from '@/core/time/dateLabels';

/** One event of a file and what becomes of it, as plain text. */
export type ImportLineView = Readonly<{
  state: ImportLine['state'];
  title: string;
  when: string;
  line: number;
  why: string;
}>;

function whenOf(text: string): string {
  if (text === '') return '';
  const moment = momentFrom(text, 'UTC');
  const day = dateLabel(dayOf(moment));
  return isDay(moment) ? day : `${day}, ${timeLabel(moment.wall)}`;
}

export const importLine = (line: ImportLine): ImportLineView => ({
  state: line.state,
  title: line.title,
  when: whenOf(line.when),
  line: line.line,
  why: line.state === 'left' || line.state === 'noted' ? line.why : '',
});
