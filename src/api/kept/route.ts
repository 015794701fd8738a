import { z } from 'zod';
import { done } from '@/core/refusals';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { doneOf } from '@/server/students/done';
import { keptDays } from '@/ui/offline/keptDays';
import { endpoint } from '../endpoint';

const answer = z.object({
  person: z.string(),
  locale: z.string(),
  days: z.array(
    z.object({
      heading: z.string(),
      lines: z.array(
        z.object({
          time: z.string(),
          tags: z.string(),
          title: z.string(),
          detail: z.string(),
          text: z.string(),
          links: z.array(z.object({ url: z.string(), label: z.string() })),
          work: z.string().optional(),
        }),
      ),
    }),
  ),
});

/** The coming four weeks of whoever asks, as their device keeps them for when there is no connection. */
export const GET = endpoint({ who: 'person', answer }, async ({ pembit, actor }) => {
  const plan = await planSeenBy(pembit, actor.viewer);
  return done(
    keptDays(plan, {
      person: actor.person.id,
      zoneOf: requireZone,
      now: pembit.now(),
      today: todayIn(pembit, plan),
      done: await doneOf(pembit, actor),
    }),
  );
});
