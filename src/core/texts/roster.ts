import * as en from './compiled/en/roster';
import { extend } from './extend';
import { commas } from './formats';

/** Words for rosters that come from the school's own system. */
export const rosterTexts = extend(en.rosterTexts, {
  take: (added: number, changed: number) =>
    commas([
      ...(added > 0 ? [en.rosterTexts.takeAdded({ n: added })] : []),
      ...(changed > 0 ? [en.rosterTexts.takeChanged({ n: changed })] : []),
    ]),
});
