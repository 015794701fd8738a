import { z } from 'zod';
import { courseId } from '@/core/ids';
import { saveCourse } from '@/server/exchange/savePlan';
import { endpoint } from '../../../endpoint';
import { packageAnswer } from '../../../packageAnswer';

const params = z.object({ id: courseId });
const query = z.object({ outline: z.enum(['0', '1'], { error: 'Say 0 or 1.' }).default('0') });

/** The plan of a course as a package; `outline=1`: without its dates. */
export const GET = endpoint(
  { who: 'person', params, query, answer: 'application/zip' },
  async ({ pembit, actor, params, query }) => {
    const saved = await saveCourse(pembit, actor, params.id, query.outline === '1');
    return saved.ok ? packageAnswer(saved.value) : saved;
  },
);
