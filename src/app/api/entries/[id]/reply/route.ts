import { z } from 'zod';
import { entryId } from '@/core/ids';
import { reply } from '@/server/entries/reply';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });
const body = z.object({
  answer: z.enum(['coming', 'notComing', 'notSure'], { error: 'Answer coming, notComing or notSure.' }),
});

/** Says whether one is coming. */
export const PUT = endpoint({ who: 'person', params, body }, ({ pembit, actor, params, body }) =>
  reply(pembit, actor, params.id, body.answer),
);
