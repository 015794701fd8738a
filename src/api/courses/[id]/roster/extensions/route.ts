import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { arrangeTexts } from '@/core/texts/arrange';
import { extendForLate } from '@/server/people/lateComers';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({
  people: z.array(personId).min(1, arrangeTexts.errors.person).max(1000),
  days: z
    .number({ error: arrangeTexts.errors.days })
    .int(arrangeTexts.errors.days)
    .min(1, arrangeTexts.errors.days)
    .max(60, arrangeTexts.errors.days),
});

/** Gives students who came late so many days more on the work that was set before they came. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ work: z.number(), people: z.number() }) },
  ({ pembit, actor, params, body }) => extendForLate(pembit, actor, params.id, body),
);
