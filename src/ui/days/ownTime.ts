import type { SeenPlan } from '@/core/plan/seenPlan';
import { studentTexts } from '@/core/texts/student';
import { cityOf } from '@/core/time/zoneWords';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { toInstant, toWall } from '@/core/time/zone';
import type { Moment } from '@/core/time/zonedWall';
import { dayOf, isDay } from '@/core/time/zonedWall';

/** By whose clocks times are written, and where the reader is, if elsewhere. */
export type Clocks = Pick<SeenPlan, 'abroad' | 'locale'>;

/** A time by the clocks of a reader who is elsewhere; with the day where that is another. Empty for all others. */
function elsewhere(start: Moment, { abroad, locale }: Clocks): string {
  if (!abroad || isDay(start)) return '';
  const here = abroad.terms.find((zone) => zone.tzid === start.tzid);
  if (!here) return '';
  const own = toWall(abroad.own, toInstant(here, start.wall));
  const day = own.toPlainDate().equals(dayOf(start))
    ? ''
    : `${dateLabel(own.toPlainDate(), 'weekday', locale)} `;
  return `${day}${timeLabel(own, locale)}`;
}

/** The same in brackets, for lists whose head says what stands in them. */
export function ownTimeOf(start: Moment, clocks: Clocks): string {
  const own = elsewhere(start, clocks);
  return own && studentTexts.ownTime({ time: own });
}

/** A time in words, with the reader's own where that is another, and where that is. */
export function withOwnTime(words: string, start: Moment, clocks: Clocks): string {
  const own = elsewhere(start, clocks);
  return own
    ? `${words} ${studentTexts.ownTimeIn({ time: own, city: cityOf(clocks.abroad!.own.tzid) })}`
    : words;
}
