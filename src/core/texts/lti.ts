import * as en from './compiled/en/lti';
import { extend } from './extend';

/** Words for launches from a course's site. */
export const ltiTexts = extend(en.ltiTexts, {place: {sheet: (day: string, code: string | undefined) => [code, day].filter(Boolean).join(', ')}}); // prettier-ignore
