import { z } from 'zod';
import { courseId, entryId } from '@/core/ids';
import { daysFor } from '@/server/load/openDays';
import { endpoint } from '../../endpoint';

const query = z.object({
  /** Absent: the first course of the entry that is being moved. */
  course: courseId.optional(),
  /** What is being dated: it does not count. */
  without: entryId.optional(),
});

/** For each day of the term, how many students of a course have something due, and would have too much with one thing more. */
export const GET = endpoint({ who: 'person', query }, ({ pembit, actor, query }) =>
  daysFor(pembit, actor, query),
);
