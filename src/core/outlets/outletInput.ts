import { z } from 'zod';
import { line } from '../fields';
import { courseId, sectionId } from '../ids';
import { OUTLET_KINDS, TIMES_AS } from './outlet';

/** What is sent to publish a feed or an embed. Personal feeds are made by Pembit, one for each person. */
export const outletInput = z.object({
  kind: z.enum(['feed', 'embed'], { error: 'Choose "feed" or "embed".' }),
  audience: z.enum(['public', 'roster'], { error: 'Choose "public" or "roster".' }),
  name: line(200, 'Give it a name.'),
  courses: z
    .array(courseId, { error: 'Tick at least one course.' })
    .min(1, 'Tick at least one course.')
    .max(30),
  sections: z.array(sectionId).max(100).default([]),
  kinds: z
    .array(z.enum(OUTLET_KINDS, { error: `Each is one of ${OUTLET_KINDS.join(', ')}.` }))
    .min(1, 'Tick at least one kind.')
    .default([...OUTLET_KINDS]),
  times: z.enum(TIMES_AS, { error: 'Say "days" or "single".' }).default('days'),
});
export type OutletInput = z.output<typeof outletInput>;
export type OutletInputJson = z.input<typeof outletInput>;
