import * as en from './compiled/en/everything';
import { extend } from './extend';
const several = (n: number) => (n === 1 ? '1 entry' : `${n} entries`);

/** Words of the plain list of everything planned. */
export const everythingTexts = extend(en.everythingTexts, {
  count: (n: number, all: number) => (n === all ? several(n) : `${n} of ${several(all)}`),
});
