import { z } from 'zod';
import { Temporal } from 'temporal-polyfill';
import { line, plainDate } from '../fields';
import { courseId } from '../ids';

/** Being away: from a day to another, both included; today what is still to come. `courses`: whose classes; absent, all of one's own. */
export const awayInput = z
  .object({
    from: plainDate,
    to: plainDate,
    courses: z.array(courseId).max(200).optional(),
    /** What students read beside what is called off; empty: that the person is away. */
    reason: line(200).default(''),
  })
  .refine(({ from, to }) => Temporal.PlainDate.compare(from, to) <= 0, {
    path: ['to'],
    error: 'The last day lies before the first one.',
  })
  .refine(({ from, to }) => from.until(to, { largestUnit: 'days' }).days <= 120, {
    path: ['to'],
    error: 'At most 120 days at once.',
  });
export type AwayInput = z.output<typeof awayInput>;
