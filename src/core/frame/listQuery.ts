import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { plainDate } from '../fields';

/** How many things of a list a page has. */
export const pageLimit = z.coerce
  .number({ error: 'Type a number.' })
  .int('Type a whole number.')
  .min(1, 'At least 1.')
  .max(500, 'At most 500 at once.')
  .default(100);

/** `next` of the page before. */
export const pageCursor = z
  .string()
  .max(400)
  .regex(/^[\w-]+$/, 'This is no cursor of this list.')
  .optional();

/** What every list of the API can be asked: of which course or term, of which days, what changed since; a page at a time. */
export const listQuery = z
  .object({
    course: z.string().max(100).optional(),
    term: z.string().max(100).optional(),
    /** The first and the last day of what has days. */
    from: plainDate.optional(),
    to: plainDate.optional(),
    kind: z.string().max(40).optional(),
    id: z.string().max(100).optional(),
    uid: z.string().max(300).optional(),
    changedSince: z
      .string()
      .max(40)
      .transform((text, context) => {
        try {
          return Temporal.Instant.from(text).epochMilliseconds;
        } catch {
          context.addIssue({ code: 'custom', message: 'Write it as 2026-10-13T12:00:00Z.' });
          return z.NEVER;
        }
      })
      .optional(),
    limit: pageLimit,
    cursor: pageCursor,
  })
  .strict()
  .refine(({ from, to }) => !from || !to || Temporal.PlainDate.compare(from, to) <= 0, {
    path: ['to'],
    error: 'The last day lies before the first one.',
  });
export type ListQuery = z.output<typeof listQuery>;
