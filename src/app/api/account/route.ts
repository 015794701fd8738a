import { personSettingsInput } from '@/core/frame/personSettings';
import { changeOwnSettings } from '@/server/students/settings';
import { endpoint } from '../endpoint';

/** What one chooses for oneself: dates, zone, colours, letters. */
export const PUT = endpoint({ who: 'person', body: personSettingsInput }, async ({ pembit, actor, body }) =>
  changeOwnSettings(pembit, actor, body),
);
