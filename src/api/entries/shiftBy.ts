import { z } from 'zod';

/** By how many days, and whether what hangs on the date comes along. */
export const shiftBy = {
  days: z
    .number({ error: 'Say by how many days, such as 1 or -7.' })
    .int('Whole days only.')
    .min(-400, 'At most 400 days.')
    .max(400, 'At most 400 days.')
    .refine((days) => days !== 0, 'It stays where it is.'),
  along: z.boolean().default(false),
};
