import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import { rangeLabel } from '../time/dateLabels';
import { momentText } from '../time/zonedWall';
import type { Check } from './check';
import { OPEN } from './check';

/** A stretch of hours that runs into another day: 26 hours are mostly two. */
export const pastMidnight: Check = {
  id: 'pastMidnight',
  find: ({ entries, locale }) =>
    entries.flatMap((entry) => {
      if (entry.kind !== 'event' || entry.when.kind === 'days' || !entry.when.end) return [];
      const { start, end } = entry.when;
      // An end at midnight itself is the end of the day.
      const last = end.wall.subtract({ seconds: 1 }).toPlainDate();
      if (Temporal.PlainDate.compare(last, start.wall.toPlainDate()) <= 0) return [];
      const same = start.wall.toPlainDate().toPlainDateTime(end.wall.toPlainTime());
      const fits = Temporal.PlainDateTime.compare(same, start.wall) > 0;
      const remedy = fits
        ? {
            label: checkTexts.sameDay({ range: rangeLabel(start.wall, same, locale) }),
            act: 'place' as const,
            start: momentText(start),
            end: momentText({ ...end, wall: same }),
          }
        : OPEN(checkTexts.chooseEnd);
      return [{ check: 'pastMidnight', about: { entry }, why: checkTexts.pastMidnight, remedy }];
    }),
};
