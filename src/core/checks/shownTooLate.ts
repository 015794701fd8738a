import { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import { checkTexts } from '../texts/checks';
import { isDay } from '../time/zonedWall';
import type { Check } from './check';

/** Students begin to see it only when it is over, or due. */
export const shownTooLate: Check = {
  id: 'shownTooLate',
  find: ({ entries }) =>
    entries
      .filter((entry) => {
        if (entry.visibility.kind !== 'from' || entry.cancelled !== undefined) return false;
        const moment = mainMoment(entry);
        const end = isDay(moment) ? moment.toPlainDateTime('23:59:59') : moment.wall;
        return Temporal.PlainDateTime.compare(entry.visibility.from.wall, end) > 0;
      })
      .map((entry) => ({
        check: 'shownTooLate',
        about: { entry },
        why: checkTexts.shownTooLate,
        remedy: { label: checkTexts.showNow, act: 'show' },
      })),
};
