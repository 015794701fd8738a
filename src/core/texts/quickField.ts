import * as en from './compiled/en/quickField';
/** Words of the quick line's own field, on every page. */
export const quickFieldTexts = en.quickFieldTexts;
