import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';

/** Ends before it starts, or at once: brought in from elsewhere, or a single occurrence changed by hand. */
export const endsBeforeStart: Check = {
  id: 'endsBeforeStart',
  find: ({ entries }) =>
    entries
      .filter((entry) => {
        if (entry.kind !== 'event') return false;
        const { when } = entry;
        return when.kind === 'days'
          ? Temporal.PlainDate.compare(when.end, when.start) <= 0
          : when.end !== undefined && Temporal.PlainDateTime.compare(when.end.wall, when.start.wall) <= 0;
      })
      .map((entry) => ({
        check: 'endsBeforeStart',
        about: { entry },
        why: checkTexts.endsBeforeStart,
        remedy: OPEN(checkTexts.chooseEnd),
      })),
};
