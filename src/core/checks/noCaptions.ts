import { shownInPlace, stemOf } from '../materials/shownInPlace';
import { accessTexts } from '../texts/access';
import type { Check, CheckInput } from './check';
import { OPEN } from './check';
import type { ReadThing } from './readThings';
import { readThings } from './readThings';

/** The name of a recording for students beside which stand neither captions nor a document of the same name. */
function bareRecording({ links }: ReadThing, files: CheckInput['files']): string | undefined {
  const shown = links.filter(({ staffOnly }) => !staffOnly).map(({ url }) => url);
  const inPlace = shownInPlace(shown, files);
  const documents = shown.flatMap((url) => {
    const file = files.get(url);
    return file && /^(?:text|application)\//.test(file.mediaType) ? [stemOf(file.name)] : [];
  });
  const bare = shown.find((url) => {
    const recording = inPlace.get(url);
    return recording && recording.as !== 'picture' && !recording.captions && !documents.includes(stemOf(files.get(url)!.name));
  });
  return bare === undefined ? undefined : files.get(bare)!.name;
} // prettier-ignore

/** A recording with neither captions nor its words in writing beside it (WCAG 2.2, success criteria 1.2.1 and 1.2.2). */
export const noCaptions: Check = {
  id: 'noCaptions',
  find: (input) =>
    readThings(input).flatMap((thing) => {
      const name = bareRecording(thing, input.files);
      if (name === undefined) return [];
      return [{ check: 'noCaptions', about: thing.about, why: accessTexts.noCaptions({ name }), remedy: OPEN(accessTexts.addCaptions) }];
    }),
}; // prettier-ignore
