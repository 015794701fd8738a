import { accessTexts } from '../texts/access';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { readThings } from './readThings';

/** A small heading with no larger one before it (WCAG 2.2, success criterion 1.3.1). */
export const headingOrder: Check = {
  id: 'headingOrder',
  find: (input) =>
    readThings(input).flatMap(({ about, description }) =>
      /<h([34])\b/.exec(description)?.[1] === '4'
        ? [{ check: 'headingOrder', about, why: accessTexts.headingOrder, remedy: OPEN(checkTexts.mendText) }]
        : [],
    ),
};
