import * as en from './compiled/en/staff';

/** Words for a course's staff: what each may do, coming and going. */
export const staffTexts = en.staffTexts;
