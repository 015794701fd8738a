import * as en from './compiled/en/imports';
import { extend } from './extend';
/** Words about files that are brought into the plan. */
export const importTexts = extend(en.importTexts, {
  bring: (added: number, changed: number) =>
    `Bring in ${[added > 0 ? `${added} new` : '', changed > 0 ? `${changed} changed` : ''].filter(Boolean).join(' and ')}`,
});
