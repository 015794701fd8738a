import { z } from 'zod';
import { classPlanId, entryId, meetingId, sectionId } from '../ids';
import { OVERFLOWS } from './slide';

const by = z
  .number({ error: 'Say by how many classes.' })
  .int('Whole classes only.')
  .min(1, 'By at least one class.')
  .max(60, 'By at most 60 classes.')
  .default(1);
/** Absent: every section that the plan stands in. */
const sections = z.array(sectionId).min(1, 'Choose at least one section.').max(100).optional();

const later = z.object({
  act: z.literal('later'),
  plan: classPlanId,
  by,
  sections,
  overPins: z.boolean().default(false),
  /** What becomes of plans that find no class, by their ids; otherwise they are kept without one. */
  overflow: z.record(z.string(), z.enum(OVERFLOWS)).default({}),
  /** Work with a date of its own that moves along. */
  along: z.array(entryId).max(500).default([]),
});
const forward = z.object({
  act: z.literal('forward'),
  into: meetingId,
  by,
  sections,
  along: z.array(entryId).max(500).default([]),
});
const together = z.object({ act: z.literal('together'), like: sectionId, section: sectionId });

/** What is sent to slide the plans of a course along its classes, to pull them forward, to bring sections together. */
export const slideInput = z.discriminatedUnion('act', [later, forward, together], {
  error: 'Say what to do: "later", "forward" or "together".',
});
export type SlideInput = z.output<typeof slideInput>;
