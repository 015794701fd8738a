import * as en from './compiled/en/daySheet';
/** Words of a day's page. */
export const daySheetTexts = en.daySheetTexts;
