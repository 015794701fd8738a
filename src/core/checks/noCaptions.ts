import { shownInPlace } from '../materials/shownInPlace';
import { accessTexts } from '../texts/access';
import type { Check } from './check';
import { OPEN } from './check';
import { readThings } from './readThings';

const TRANSCRIPT = /transcript/i;

/** A recording with neither captions nor a transcript beside it (WCAG 2.2, success criteria 1.2.1 and 1.2.2). */
export const noCaptions: Check = {
  id: 'noCaptions',
  find: (input) =>
    readThings(input).flatMap(({ about, links }) => {
      const names = links.map(({ url, label }) => `${label} ${input.files.get(url)?.name ?? ''}`);
      if (names.some((name) => TRANSCRIPT.test(name))) return [];
      const inPlace = shownInPlace(links.map(({ url }) => url), input.files); // prettier-ignore
      const bare = links.find(({ url, staffOnly }) => {
        const shown = inPlace.get(url);
        return !staffOnly && shown && shown.as !== 'picture' && !shown.captions;
      });
      return bare
        ? [{ check: 'noCaptions', about, why: accessTexts.noCaptions(input.files.get(bare.url)!.name), remedy: OPEN(accessTexts.addCaptions) }]
        : [];
    }),
}; // prettier-ignore
