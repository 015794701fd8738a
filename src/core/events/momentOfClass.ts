import type { Moment } from '../time/zonedWall';
import { momentFrom } from '../time/zonedWall';

/** When a class begins, as an event keeps it; a teaching week has a day alone. */
export const momentOfClass = (
  { date, start }: Readonly<{ date: string; start: string }>,
  tzid: string,
): Moment => momentFrom([date, start].filter(Boolean).join('T'), tzid);
