import * as en from './compiled/en/roster';
import { extend } from './extend';
/** Words for rosters that come from the school's own system. */
export const rosterTexts = extend(en.rosterTexts, {
  take: (added: number, changed: number) =>
    [added > 0 ? `Add ${added}` : '', changed > 0 ? `change ${changed}` : ''].filter(Boolean).join(', '),
});
