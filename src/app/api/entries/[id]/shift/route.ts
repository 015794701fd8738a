import { z } from 'zod';
import { entryId } from '@/core/ids';
import { shiftEntry } from '@/server/entries/shiftEntry';
import { endpoint } from '../../../endpoint';
import { entryAnswer } from '../../entryAnswer';

const params = z.object({ id: entryId });
const body = z.object({
  days: z
    .number({ error: 'Say by how many days, such as 1 or -7.' })
    .int('Whole days only.')
    .min(-400, 'At most 400 days.')
    .max(400, 'At most 400 days.')
    .refine((days) => days !== 0, 'It stays where it is.'),
  /** Whether what hangs on the date comes along. */
  along: z.boolean().default(false),
});

export const POST = endpoint({ who: 'person', params, body }, async ({ pembit, actor, params, body }) =>
  entryAnswer(await shiftEntry(pembit, actor, params.id, body)),
);
