import { z } from 'zod';
import type { CourseId } from '@/core/ids';
import { shownTerm } from '@/core/time/term';
import { done } from '@/core/refusals';
import { dueWords } from '@/server/load/dueWords';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { quickView } from '@/ui/quickline/quickView';
import { endpoint } from '../endpoint';

const query = z.object({ line: z.string({ error: 'Type a line.' }).max(500, 'At most 500 characters.') });

/** What a quick line says, what it leaves open, and what on the plan has such a title. */
export const GET = endpoint({ who: 'person', query }, async ({ pembit, actor, query, term: chosen }) => {
  const plan = await planSeenBy(pembit, actor.viewer);
  const today = todayIn(pembit, plan);
  const term = shownTerm(plan.terms, today, chosen);
  const view = quickView({ viewer: actor.viewer, plan, term, today, line: query.line });
  const { ready } = view;
  if (ready?.input.kind !== 'assignment' || !ready.input.due) return done(view);
  const load = await dueWords(pembit, actor, ready.input.audience[0]!.course as CourseId, ready.input.due);
  return done({ ...view, ready: { ...ready, load } });
});
