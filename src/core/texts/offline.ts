import * as en from './compiled/en/offline';
/** Words of the page that stands in when there is no connection. */
export const offlineTexts = en.offlineTexts;
