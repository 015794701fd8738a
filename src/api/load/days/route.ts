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

const answer = z.object({
  students: z.number(),
  days: z.array(
    z.object({ date: z.string(), concerned: z.number(), alarmed: z.number(), open: z.boolean() }),
  ),
});

/** For each day of the term, how many students of a course have something due, and would have too much with one thing more. */
export const GET = endpoint({ who: 'person', query, answer }, ({ pembit, actor, query }) =>
  daysFor(pembit, actor, query),
);
