import * as en from './compiled/en/questions';
import { extend } from './extend';

/** Words of questions under entries and classes. */
export const questionTexts = extend(en.questionTexts, {
  reports: (reasons: readonly string[]) =>
    en.questionTexts.reportedFor({ n: reasons.length, reasons: reasons.filter(Boolean) }),
});
