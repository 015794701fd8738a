import { linkTexts } from '../texts/links';
import type { Check } from './check';
import { OPEN } from './check';
import { linksThat } from './linkFails';

/** A link that leads to another address for good: the old one may cease to. */
export const linkMoved: Check = {
  id: 'linkMoved',
  find: (input) =>
    linksThat(input, 'moved').map(({ about, url, why }) => ({
      check: 'linkMoved',
      about,
      why: linkTexts.moved({ url, why }),
      remedy: OPEN(linkTexts.mend),
    })),
};
