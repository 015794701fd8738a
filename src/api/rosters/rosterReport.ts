import { z } from 'zod';

const keptCourse = z.object({
  id: z.string(),
  code: z.string(),
  added: z.number(),
  changed: z.number(),
  off: z.number(),
  absent: z.number(),
});

/** What a reading of the school's lists did: how many, nobody by name. */
export const rosterReport = z.object({
  courses: z.array(keptCourse),
  held: z.array(z.object({ id: z.string(), code: z.string(), known: z.number(), gone: z.number() })),
  unclear: z.array(z.string()),
  faults: z.array(z.string()),
  failure: z.string().optional(),
});
