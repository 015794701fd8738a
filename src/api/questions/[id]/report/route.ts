import { z } from 'zod';
import { reportInput } from '@/core/questions/questionInput';
import { report } from '@/server/questions/ask';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Reports a question to the staff. */
export const POST = endpoint(
  { who: 'person', params, body: reportInput, limit: 'questions', answer: z.null() },
  ({ pembit, actor, params, body }) => report(pembit, actor, params.id, body.reason),
);
