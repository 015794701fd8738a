import * as en from './compiled/en/members';

/** The roster of a course: choosing students, moving them, those who came late and those who left. */
export const memberTexts = en.memberTexts;
