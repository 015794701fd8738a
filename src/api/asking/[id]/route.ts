import { z } from 'zod';
import { aboutInput, askingInput } from '@/core/questions/questionInput';
import { allowQuestions } from '@/server/questions/ask';
import { endpoint } from '../../endpoint';

const params = z.object({ id: aboutInput });

/** Says whether students may ask in a course, or under an entry or a class. */
export const PUT = endpoint(
  { who: 'person', params, body: askingInput, answer: z.null() },
  ({ pembit, actor, params, body }) => allowQuestions(pembit, actor, params.id, body.open),
);
