import { DATE_FIELDS, classDates } from '../entries/classDates';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';

/** A date that follows a class which is not there any more. */
export const noSuchClass: Check = {
  id: 'noSuchClass',
  find: ({ entries, courses }) =>
    entries.flatMap((entry) => {
      if (entry.kind !== 'assignment' || !entry.atClass) return [];
      const { audience, tzid, atClass } = entry;
      const { missing } = classDates(atClass, entry, { audience, courses, tzid });
      const field = DATE_FIELDS.find((f) => missing.includes(f));
      if (!field) return [];
      return [
        {
          check: 'noSuchClass',
          about: { entry },
          why: checkTexts.noSuchClass(atClass[field]!),
          remedy: OPEN(checkTexts.chooseDay),
        },
      ];
    }),
};
