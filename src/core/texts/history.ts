import * as en from './compiled/en/history';
import { extend } from './extend';
import { commas } from './formats';
import { quickFieldTexts } from './quickField';

/** How the history and the message after an act say what happened. */
export const historyTexts = extend(en.historyTexts, {
  planned: quickFieldTexts.added,
  importedFile: (added: number, changed: number) =>
    commas([
      ...(added > 0 ? [en.historyTexts.importedAdded({ n: added })] : []),
      ...(changed > 0 ? [en.historyTexts.importedChanged({ n: changed })] : []),
    ]),
});
