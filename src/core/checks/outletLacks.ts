import { checkTexts } from '../texts/checks';
import { listed } from '../texts/entries';
import { publishTexts } from '../texts/publish';
import type { Check } from './check';
import { OPEN } from './check';
import { placeOf } from './checkedOutlets';

/** A feed or an embed that is ticked for a kind which its courses show, and holds none of it. */
export const outletLacks: Check = {
  id: 'outletLacks',
  find: ({ outlets }) =>
    outlets
      .filter((outlet) => outlet.holds > 0 && outlet.lacks.length > 0)
      .map((outlet) => ({
        check: 'outletLacks',
        about: { place: placeOf(outlet) },
        why: checkTexts.outletLacks(listed(outlet.lacks.map((kind) => publishTexts.kindNames[kind]))),
        remedy: OPEN(checkTexts.changeOutlet),
      })),
};
