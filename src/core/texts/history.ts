import * as en from './compiled/en/history';
import { extend } from './extend';
import { quickFieldTexts } from './quickField';

/** How the history and the message after an act say what happened. */
export const historyTexts = extend(en.historyTexts, {
  planned: quickFieldTexts.added,
  importedFile: (added: number, changed: number) =>
    [added > 0 ? `Added ${added}` : '', changed > 0 ? `changed ${changed}` : ''].filter(Boolean).join(', '),
});
