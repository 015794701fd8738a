import * as en from './compiled/en/notices';
export const noticeTexts = en.noticeTexts;
