import { z } from 'zod';
import { aboutInput, questionInput } from '@/core/questions/questionInput';
import { done, refused } from '@/core/refusals';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { ask } from '@/server/questions/ask';
import { questionsOn } from '@/server/questions/questionsOn';
import { endpoint } from '../endpoint';

/** The questions under an entry or a class, as one may know them. */
export const GET = endpoint(
  { who: 'person', query: z.strictObject({ about: aboutInput }) },
  async ({ pembit, actor, query }) => {
    const found = await questionsOn(pembit, actor, await planSeenBy(pembit, actor.viewer), query.about);
    return found ? done(found) : refused('notFound');
  },
);

/** Asks something under an entry or a class. */
export const POST = endpoint(
  { who: 'person', body: questionInput, limit: 'questions' },
  async ({ pembit, actor, body }) => ({ ...(await ask(pembit, actor, body)), status: 201 }),
);
