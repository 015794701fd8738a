import { z } from 'zod';
import { audienceInput } from '../entries/entryInput';
import { line, longText, plainDateTime, url } from '../fields';

const wholeMinutes = (what: string, min: number, max: number) =>
  z
    .number({ error: `${what} is a number of minutes.` })
    .int(`${what} is a whole number of minutes.`)
    .min(min, `${what} is at least ${min} minutes.`)
    .max(max, `${what} is at most ${max} minutes.`);

const whole = (what: string, max: number) =>
  z
    .number({ error: `${what} is a number.` })
    .int(`${what} is a whole number.`)
    .min(1, `${what} is at least 1.`)
    .max(max, `${what} is at most ${max}.`);

/** What is sent to offer a sign-up sheet. Stretches are wall times of the courses' term and end on the day they begin. */
export const sheetInput = z.object({
  title: line(200, 'Give it a title.'),
  audience: audienceInput,
  stretches: z
    .array(
      z
        .object({ start: plainDateTime, end: plainDateTime })
        .refine(({ start, end }) => start.toPlainDate().equals(end.toPlainDate()), {
          path: ['end'],
          error: 'A stretch ends on the day it begins.',
        })
        .refine(({ start, end }) => start.until(end).sign > 0, {
          path: ['end'],
          error: 'The stretch ends before it begins. Choose a later end.',
        }),
      { error: 'Offer at least one stretch of time.' },
    )
    .min(1, 'Offer at least one stretch of time.')
    .max(200, 'At most 200 stretches at once.'),
  length: wholeMinutes('The length of a time', 5, 720),
  gap: wholeMinutes('The gap', 0, 240).default(0),
  seats: whole('People per time', 100).default(1),
  timesPerStudent: whole('Times per student', 100).default(1),
  place: line(200).default(''),
  meetingLink: z.union([z.literal(''), url]).default(''),
  offered: z.boolean().default(true),
});
export type SheetInput = z.output<typeof sheetInput>;
export type SheetInputJson = z.input<typeof sheetInput>;

export const takeTimeInput = z.object({
  note: longText(1000)
    .transform((text) => text.trim())
    .default(''),
});
