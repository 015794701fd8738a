import { z } from 'zod';
import type { RetentionClass } from './retention';
import { RETENTION_CLASSES, YEAR } from './retention';

const days = z
  .number({ error: 'Type a number of days.' })
  .int('Type a whole number of days.')
  .min(7, 'At least 7 days.')
  .max(50 * YEAR, 'At most 50 years.')
  .nullable();

/** For how many days each class is kept, as it is sent. */
export const retentionInput = z
  .object(Object.fromEntries(RETENTION_CLASSES.map((name) => [name, days.optional()])) as Record<RetentionClass, z.ZodOptional<typeof days>>)
  .partial(); // prettier-ignore
