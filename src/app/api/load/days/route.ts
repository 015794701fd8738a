import { z } from 'zod';
import { courseId, entryId } from '@/core/ids';
import { ALARM } from '@/core/load/loadItem';
import { done } from '@/core/refusals';
import { courseLoad } from '@/server/load/courseLoad';
import { daysOfLoad } from '@/server/load/openDays';
import { endpoint } from '../../endpoint';

const query = z.object({
  course: courseId,
  /** What is being dated: it does not count. */
  without: entryId.optional(),
});

/** For each day of the term, how many students of a course have something due, and would have too much with one thing more. */
export const GET = endpoint({ who: 'person', query }, async ({ pembit, actor, query }) => {
  const load = await courseLoad(pembit, actor, query.course, { alarm: ALARM - 1, without: query.without });
  return load.ok ? done({ students: load.value.students, days: daysOfLoad(load.value) }) : load;
});
