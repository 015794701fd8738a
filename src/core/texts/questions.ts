import * as en from './compiled/en/questions';
import { extend } from './extend';
/** Words of questions under entries and classes. */
export const questionTexts = extend(en.questionTexts, {reports: (reasons: readonly string[]) =>
    `Reported ${reasons.length === 1 ? 'once' : `${reasons.length} times`}${reasons.some(Boolean) ? `: ${reasons.filter(Boolean).join('; ')}` : ''}`}); // prettier-ignore
