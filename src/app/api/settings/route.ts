import { settingsInput } from '@/core/frame/schoolSettings';
import { changeSettings } from '@/server/frame/settings';
import { endpoint } from '../endpoint';

export const PUT = endpoint({ who: 'person', body: settingsInput }, ({ pembit, actor, body }) =>
  changeSettings(pembit, actor, body),
);
