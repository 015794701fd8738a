import * as en from './compiled/en/materials';
import { extend } from './extend';
import { entryTexts } from './entries';

/** Words of a course's materials: its outline, what is brought in, where it leads. */
export const materialTexts = extend(en.materialTexts, {
  placeLine: (ordinal: number, title: string) => `${entryTexts.classTitle({ ordinal })}: ${title}`,
});
