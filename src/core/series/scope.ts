import { z } from 'zod';
import { dayOrWall } from '../fields';

/** Which part of a series an act concerns; a single event is always all of itself. */
export const scopeInput = z
  .object({
    scope: z
      .enum(['this', 'following', 'all'], { error: 'Say what is meant: "this", "following" or "all".' })
      .default('all'),
    /** The moment by which the series names the occurrence. */
    recurrenceId: dayOrWall.optional(),
  })
  .refine(({ scope, recurrenceId }) => scope === 'all' || recurrenceId !== undefined, {
    path: ['recurrenceId'],
    error: 'Say which occurrence is meant.',
  });
export type Scope = z.output<typeof scopeInput>;
