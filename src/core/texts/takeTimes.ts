import * as en from './compiled/en/takeTimes';
/** Words of taking times: what students read. */
export const takeTexts = en.takeTexts;
