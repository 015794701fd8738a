import { z } from 'zod';
import { ANSWERS } from '@/core/entries/entry';
import { entryId } from '@/core/ids';
import { reply } from '@/server/entries/reply';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });
const body = z.object({
  answer: z.enum(ANSWERS, { error: 'Answer coming, notComing, notSure or waiting.' }),
});

const answer = z.object({ answer: z.enum(['coming', 'waiting', 'notComing', 'notSure']) });

/** Says whether one is coming, or waits for a seat where all are taken. */
export const PUT = endpoint({ who: 'person', params, body, answer }, ({ pembit, actor, params, body }) =>
  reply(pembit, actor, params.id, body.answer),
);
