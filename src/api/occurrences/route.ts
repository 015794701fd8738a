import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { plainDate } from '@/core/fields';
import { done } from '@/core/refusals';
import { occurrenceRecords } from '@/server/plan/planSeenBy';
import { endpoint } from '../endpoint';

const range = z
  .object({ from: plainDate, to: plainDate })
  .refine(({ from, to }) => Temporal.PlainDate.compare(from, to) <= 0, {
    path: ['to'],
    error: 'The last day lies before the first one.',
  })
  .refine(({ from, to }) => from.until(to, { largestUnit: 'days' }).days <= 800, {
    path: ['to'],
    error: 'Ask for at most 800 days at once.',
  });

const answer = z.array(
  z.object({
    uid: z.string(),
    recurrenceId: z.string().optional(),
    kind: z.enum([
      'set',
      'booking',
      'times',
      'due',
      'event',
      'announcement',
      'note',
      'outside',
      'class',
      'closure',
    ]),
    title: z.string(),
    start: z.string(),
    end: z.string().optional(),
    allDay: z.boolean(),
    zone: z.string(),
    courses: z.array(z.string()),
    cancelled: z.string().optional(),
    entry: z.string().optional(),
    meeting: z.string().optional(),
    sheet: z.string().optional(),
    place: z.string().optional(),
    links: z.array(z.object({ url: z.string(), label: z.string() })).optional(),
  }),
);

/** What you see between two days, expanded. */
export const GET = endpoint({ who: 'person', query: range, answer }, async ({ pembit, actor, query }) =>
  done(await occurrenceRecords(pembit, actor.viewer, query)),
);
