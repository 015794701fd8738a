import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { placeOf } from './checkedOutlets';

/** A feed or an embed whose courses are all over: its address can go on with the next term's. */
export const outletOver: Check = {
  id: 'outletOver',
  find: ({ outlets, courses }) =>
    outlets
      .filter((outlet) => !outlet.courses.some((id) => courses.some((course) => course.id === id)))
      .map((outlet) => ({
        check: 'outletOver',
        about: { place: placeOf(outlet) },
        why: checkTexts.outletOver,
        remedy: OPEN(checkTexts.changeOutlet),
      })),
};
