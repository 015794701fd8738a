import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { placeOf } from './checkedOutlets';

/** Files that anyone can read by now, since they were added to what a public outlet opens. */
export const filesAdded: Check = {
  id: 'filesAdded',
  find: ({ outlets }) =>
    outlets
      .filter(({ audience, added }) => audience === 'public' && added.length > 0)
      .map((outlet) => {
        const place = placeOf(outlet);
        return {
          check: 'filesAdded',
          about: { place: { ...place, version: [place.version, ...outlet.added].join(' ') } },
          why: checkTexts.filesAdded(outlet.added),
          remedy: OPEN(checkTexts.changeOutlet),
        };
      }),
};
