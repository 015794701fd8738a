import type { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import type { CourseId, PersonId } from '../ids';
import { pacingTexts as say } from '../texts/pacing';

export const PACING_UNITS = ['days', 'weeks'] as const;

/**
 * How work is due by each student's own start: so many days after it, or at the end of the so-manieth week counted from it. What
 * is due for everybody is then the last day.
 */
export const pacing = z.object({
  unit: z.enum(PACING_UNITS, { error: say.unit }),
  count: z.number({ error: say.count }).int(say.count).min(1, say.count).max(400, say.most),
});
export type Pacing = Readonly<z.output<typeof pacing>>;

/** The day on which somebody began a course, and when they said so. */
export type OwnStart = Readonly<{
  person: PersonId;
  course: CourseId;
  on: Temporal.PlainDate;
  said: Temporal.Instant;
}>;
