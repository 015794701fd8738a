import { z } from 'zod';
import { settingsInput } from '@/core/frame/schoolSettings';
import { changeSettings } from '@/server/frame/settings';
import { endpoint } from '../endpoint';

/** Changes the school’s name, how dates are written, the first day of the week and retention. */
export const PUT = endpoint(
  { who: 'person', body: settingsInput, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, body }) => changeSettings(pembit, actor, body),
);
