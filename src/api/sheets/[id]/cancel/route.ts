import { z } from 'zod';
import { longText, plainDate } from '@/core/fields';
import { sheetId } from '@/core/ids';
import { cancelDays } from '@/server/signup/cancelTimes';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });
/** Without a last day, the rest of the times. */
const body = z.object({ from: plainDate, to: plainDate.optional(), message: longText(2000).default('') });

/** Cancels the times of some days, or all that are still to come, with a message. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ cancelled: z.number(), told: z.number() }) },
  ({ pembit, actor, params, body }) => cancelDays(pembit, actor, params.id, body),
);
