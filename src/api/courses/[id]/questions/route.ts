import { z } from 'zod';
import { courseId } from '@/core/ids';
import { handOnInput } from '@/core/questions/questionInput';
import { handQuestionsOn } from '@/server/questions/ask';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Hands questions for the staff alone on to somebody who has joined the staff since. */
export const POST = endpoint(
  { who: 'person', params, body: handOnInput, answer: z.object({ handedOn: z.number(), name: z.string() }) },
  ({ pembit, actor, params, body }) => handQuestionsOn(pembit, actor, params.id, body.to),
);
