import { z } from 'zod';
import { plainDate } from '@/core/fields';
import { personId, sheetId } from '@/core/ids';
import { takeOverDay } from '@/server/signup/changeSlots';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });
const body = z.object({ date: plainDate, host: personId });

/** Another of those who offer a sheet takes over its times of a day. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ told: z.number() }) },
  ({ pembit, actor, params, body }) => takeOverDay(pembit, actor, params.id, body),
);
