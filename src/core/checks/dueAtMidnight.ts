import { checkTexts } from '../texts/checks';
import { momentText } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { Check } from './check';

/** Due at 00:00: meant is mostly the end of the day before. */
export const dueAtMidnight: Check = {
  id: 'dueAtMidnight',
  find: ({ entries }) =>
    entries.flatMap((entry) => {
      if (entry.kind !== 'assignment' || entry.cancelled !== undefined || isDay(entry.due)) return [];
      if (!momentText(entry.due).endsWith('T00:00')) return [];
      const before = momentText({ ...entry.due, wall: entry.due.wall.subtract({ minutes: 1 }) });
      return [
        {
          check: 'dueAtMidnight',
          about: { entry },
          why: checkTexts.dueAtMidnight,
          remedy: { label: checkTexts.beforeMidnight, act: 'line', on: before },
        },
      ];
    }),
};
