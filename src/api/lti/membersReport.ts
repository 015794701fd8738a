import { z } from 'zod';

/** What a reading of a site's list did to a roster: how many, nobody by name. */
export const membersReport = z.object({
  added: z.number(),
  off: z.number(),
  absent: z.number(),
  held: z.object({ known: z.number(), gone: z.number() }).optional(),
  silent: z.literal(true).optional(),
});
