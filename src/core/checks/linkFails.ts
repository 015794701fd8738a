import { addressesOf } from '../links/usedLinks';
import { linkTexts } from '../texts/links';
import type { Check, CheckInput, Finding } from './check';
import { OPEN } from './check';

/** What leads somewhere, with each of its links that answered in a way when it was last tested. */
export function linksThat(
  { entries, classes, linkTests }: CheckInput,
  state: 'fails' | 'moved',
): { about: Finding['about']; url: string; why: string }[] {
  const of = (about: Finding['about'], urls: readonly string[]) =>
    urls.flatMap((url) => {
      const test = linkTests.get(url);
      return test?.state === state ? [{ about, url, why: linkTexts.why(test) }] : [];
    });
  return [
    ...entries.flatMap((entry) => (entry.cancelled === undefined ? of({ entry }, addressesOf(entry)) : [])),
    ...classes.flatMap((seen) => (seen.plan ? of({ seen }, addressesOf(seen.plan)) : [])),
  ];
}

/** A link that did not open when it was last tested. */
export const linkFails: Check = {
  id: 'linkFails',
  find: (input) =>
    linksThat(input, 'fails').map(({ about, url, why }) => ({
      check: 'linkFails',
      about,
      why: linkTexts.fails(url, why),
      remedy: OPEN(linkTexts.mend),
    })),
};
