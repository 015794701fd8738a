import { z } from 'zod';
import { aboutInput, questionInput } from '@/core/questions/questionInput';
import { done, refused } from '@/core/refusals';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { ask } from '@/server/questions/ask';
import { questionsOn } from '@/server/questions/questionsOn';
import { endpoint } from '../endpoint';

const found = z.object({
  mayAsk: z.boolean(),
  asStaff: z.boolean(),
  mayAnswer: z.boolean(),
  choice: z.object({ own: z.boolean().optional(), byCourse: z.boolean() }).optional(),
  items: z.array(
    z.object({
      id: z.string(),
      text: z.string(),
      at: z.string(),
      by: z.string().optional(),
      mine: z.boolean(),
      everybody: z.boolean(),
      named: z.boolean(),
      closed: z.boolean(),
      takenAway: z.boolean(),
      answers: z.array(
        z.object({
          id: z.string(),
          author: z.union([z.null(), z.string()]),
          authorName: z.string(),
          text: z.string(),
          at: z.string(),
        }),
      ),
      reported: z.boolean(),
      reasons: z.array(z.string()),
    }),
  ),
});

/** The questions under an entry or a class, as one may know them. */
export const GET = endpoint(
  { who: 'person', query: z.strictObject({ about: aboutInput }), answer: found },
  async ({ pembit, actor, query }) => {
    const thread = await questionsOn(pembit, actor, await planSeenBy(pembit, actor.viewer), query.about);
    if (!thread) return refused('notFound');
    const items = thread.items.map((item) => ({
      ...item,
      at: item.at.toString(),
      answers: item.answers.map((answer) => ({ ...answer, at: answer.at.toString() })),
    }));
    return done({ ...thread, items });
  },
);

/** Asks something under an entry or a class. */
export const POST = endpoint(
  { who: 'person', body: questionInput, limit: 'questions', answer: z.object({ id: z.string() }) },
  async ({ pembit, actor, body }) => ({ ...(await ask(pembit, actor, body)), status: 201 }),
);
