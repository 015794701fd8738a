import { addressesOf } from '../links/usedLinks';
import { linkTexts } from '../texts/links';
import type { Check, CheckInput, Finding } from './check';
import { OPEN } from './check';
import { readThings } from './readThings';

/** What leads somewhere, with each of its links that answered in a way when it was last tested. */
export const linksThat = (
  input: CheckInput,
  state: 'fails' | 'moved',
): { about: Finding['about']; url: string; why: string }[] =>
  readThings(input).flatMap((thing) =>
    addressesOf(thing).flatMap((url) => {
      const test = input.linkTests.get(url);
      return test?.state === state ? [{ about: thing.about, url, why: linkTexts.why(test) }] : [];
    }),
  );

/** A link that did not open when it was last tested. */
export const linkFails: Check = {
  id: 'linkFails',
  find: (input) =>
    linksThat(input, 'fails').map(({ about, url, why }) => ({
      check: 'linkFails',
      about,
      why: linkTexts.fails({ url, why }),
      remedy: OPEN(linkTexts.mend),
    })),
};
