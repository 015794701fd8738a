import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import type { CourseId } from '@/core/ids';
import { shownTerm } from '@/core/time/term';
import { done } from '@/core/refusals';
import { dueWords } from '@/server/load/dueWords';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { quickView } from '@/ui/quickline/quickView';
import { endpoint } from '../endpoint';

const query = z.object({ line: z.string({ error: 'Type a line.' }).max(500, 'At most 500 characters.') });

const answer = z.object({
  line: z.string(),
  pieces: z.array(z.object({ from: z.number(), to: z.number(), name: z.string(), words: z.string() })),
  asks: z.array(
    z.object({ question: z.string(), choices: z.array(z.object({ label: z.string(), line: z.string() })) }),
  ),
  ready: z
    .object({
      title: z.string(),
      who: z.string(),
      input: entryInput,
      closed: z.string().optional(),
      load: z.string().optional(),
    })
    .optional(),
  leads: z.object({ words: z.string(), act: z.string(), href: z.string() }).optional(),
  finds: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      when: z.string(),
      tags: z.array(z.object({ tag: z.string(), color: z.string() })),
      entry: z.string().optional(),
      meeting: z.string().optional(),
    }),
  ),
});

/** What a quick line says, what it leaves open, and what on the plan has such a title. */
export const GET = endpoint(
  { who: 'person', query, answer },
  async ({ pembit, actor, query, term: chosen }) => {
    const plan = await planSeenBy(pembit, actor.viewer);
    const today = todayIn(pembit, plan);
    const term = shownTerm(plan.terms, today, chosen);
    const view = quickView({ viewer: actor.viewer, plan, term, today, line: query.line });
    const { ready } = view;
    if (ready?.input.kind !== 'assignment' || !ready.input.due) return done(view);
    const load = await dueWords(pembit, actor, ready.input.audience[0]!.course as CourseId, ready.input.due);
    return done({ ...view, ready: { ...ready, load } });
  },
);
