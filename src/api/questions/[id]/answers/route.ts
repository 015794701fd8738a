import { z } from 'zod';
import { answerInput } from '@/core/questions/questionInput';
import { answer } from '@/server/questions/answer';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Answers a question. */
export const POST = endpoint(
  { who: 'person', params, body: answerInput, limit: 'questions', answer: z.object({ id: z.string() }) },
  async ({ pembit, actor, params, body }) => ({
    ...(await answer(pembit, actor, params.id, body.text)),
    status: 201,
  }),
);
