import { z } from 'zod';
import { takeAnswerAway } from '@/server/questions/answer';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Takes an answer away. */
export const DELETE = endpoint({ who: 'person', params, answer: z.null() }, ({ pembit, actor, params }) =>
  takeAnswerAway(pembit, actor, params.id),
);
