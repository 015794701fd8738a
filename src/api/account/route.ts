import { personSettingsInput } from '@/core/frame/personSettings';
import { done } from '@/core/refusals';
import { changeOwnSettings, settingsOf } from '@/server/students/settings';
import { endpoint } from '../endpoint';

/** What one has chosen for oneself. */
export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) =>
  done(await settingsOf(pembit, actor.person.id)),
);

/** What one chooses for oneself: dates, zone, colours, letters. */
export const PUT = endpoint({ who: 'person', body: personSettingsInput }, async ({ pembit, actor, body }) =>
  changeOwnSettings(pembit, actor, body),
);
