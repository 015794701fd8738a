import { ALL_STRANDS } from '../time/classNumber';
import { z } from 'zod';
import { line, longText } from '../fields';
import { linksInput } from '../entries/entryInput';

/** What is sent to plan a class. */
export const classPlanInput = z.object({
  title: line(200, 'Say what is taught.'),
  description: longText(60_000).default(''),
  links: linksInput,
  pinned: z.boolean().default(false),
});
export type ClassPlanInput = z.output<typeof classPlanInput>;

/** A list or table of topics to be put on the classes of a course, from the class of a number on. */
export const topicsInput = z.object({
  list: longText(200_000),
  from: z.number({ error: 'Say from which class on.' }).int().min(1, 'Classes are counted from 1.').max(1000),
  /** Where they are put on labs, on weeks, or whatever else counts apart. */
  strand: z.enum(ALL_STRANDS).optional(),
});
