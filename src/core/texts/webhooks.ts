import * as en from './compiled/en/webhooks';
/** Words of webhooks: addresses that are told of changes. */
export const webhookTexts = en.webhookTexts;
