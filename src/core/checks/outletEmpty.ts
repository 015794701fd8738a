import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { placeOf } from './checkedOutlets';

/** A feed or an embed that holds nothing. */
export const outletEmpty: Check = {
  id: 'outletEmpty',
  find: ({ outlets }) =>
    outlets
      .filter((outlet) => outlet.holds === 0)
      .map((outlet) => ({
        check: 'outletEmpty',
        about: { place: placeOf(outlet) },
        why: checkTexts.outletEmpty,
        remedy: OPEN(checkTexts.changeOutlet),
      })),
};
