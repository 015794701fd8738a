import * as en from './compiled/en/everything';
import { extend } from './extend';

/** Words of the plain list of everything planned. */
export const everythingTexts = extend(en.everythingTexts, {
  count: (n: number, all: number) =>
    n === all ? en.everythingTexts.allOf({ n }) : en.everythingTexts.someOf({ n, all }),
});
