import { z } from 'zod';
import { questionStateInput } from '@/core/questions/questionInput';
import { changeQuestion } from '@/server/questions/answer';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Closes a question, takes it away, lets a reported one stand, or the reverse. */
export const PUT = endpoint(
  { who: 'person', params, body: questionStateInput, answer: z.null() },
  ({ pembit, actor, params, body }) => changeQuestion(pembit, actor, params.id, body),
);
