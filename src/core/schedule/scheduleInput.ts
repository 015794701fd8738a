import { z } from 'zod';
import { line, longText, plainDate } from '../fields';
import { url } from '../fields';
import { MOST_ROWS } from './scheduleRows';
import { SCHEDULE_KINDS } from './scheduleLine';

/** A schedule as it was pasted. */
export const scheduleText = z.object({
  text: longText(200_000).refine(
    (text) => text.split('\n').length <= MOST_ROWS,
    `A schedule has at most ${MOST_ROWS} lines here.`,
  ),
});

const day = plainDate.transform(String).optional();
const clock = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Give a time, such as 17:00.')
  .optional();

/** Lines of a schedule as the preview answered them, corrected where they were unclear. What is asked is not sent back. */
export const scheduleInput = z.object({
  lines: z
    .array(
      z
        .object({
          text: z.string().max(5000).default(''),
          kind: z.enum(SCHEDULE_KINDS, { error: `Each is one of ${SCHEDULE_KINDS.join(', ')}.` }),
          title: line(200).default(''),
          date: day,
          to: day,
          time: clock,
          end: clock,
          set: day,
          opens: day,
          closes: day,
          link: url.optional(),
          points: z.number().min(0).max(100_000).optional(),
        })
        .superRefine(({ kind, title, date, to }, context) => {
          if (kind === 'heading' || kind === 'nothing' || kind === 'times') return;
          const bad = (field: string, message: string) =>
            context.addIssue({ code: 'custom', path: [field], message });
          if (title === '') bad('title', 'Give it a title.');
          if (date === undefined) bad('date', 'Say on which day it is.');
          if (date !== undefined && to !== undefined && to < date) bad('to', 'It ends before it begins.');
        }),
    )
    .min(1, 'There is nothing to take.')
    .max(1000, 'At most 1000 lines at once.'),
});
export type ScheduleInput = z.output<typeof scheduleInput>;
export type TakenLine = ScheduleInput['lines'][number];
