import * as en from './compiled/en/imports';
import { extend } from './extend';

/** Words about files that are brought into the plan. */
export const importTexts = extend(en.importTexts, {
  bring: (added: number, changed: number) =>
    en.importTexts.bringThese({
      what: [
        ...(added > 0 ? [en.importTexts.bringNew({ n: added })] : []),
        ...(changed > 0 ? [en.importTexts.bringChanged({ n: changed })] : []),
      ],
    }),
});
