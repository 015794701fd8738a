import { checkTexts } from '../texts/checks';
import { momentText } from '../time/zonedWall';
import type { Check } from './check';
import { OPEN } from './check';

/** Somebody's extended date came to lie before everybody's, mostly because that was moved without it. */
export const extendedEarlier: Check = {
  id: 'extendedEarlier',
  find: ({ entries }) =>
    entries.flatMap((entry) => {
      if (entry.kind !== 'assignment' || entry.cancelled !== undefined) return [];
      const earlier = entry.extensions.filter(({ due }) => momentText(due) < momentText(entry.due));
      if (earlier.length === 0) return [];
      return [
        {
          check: 'extendedEarlier',
          about: { entry },
          why: checkTexts.extendedEarlier({ n: earlier.length }),
          remedy: OPEN(checkTexts.look),
        },
      ];
    }),
};
