import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { audienceInput, linksInput } from '../entries/entryInput';
import { line, longText, plainDate, plainDateTime, readable, url } from '../fields';
import { personId } from '../ids';

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

const clock = readable((text) => {
  if (!/^\d{2}:\d{2}$/.test(text)) throw new RangeError(text);
  return Temporal.PlainTime.from(text, { overflow: 'reject' });
}, 'Give a time of day, such as 12:00.');

const MIDNIGHT = new Temporal.PlainTime();
/** A range within a day; an end at 00:00 is the midnight with which the day ends. */
const endsLater = ({ start, end }: { start: Temporal.PlainTime; end: Temporal.PlainTime }) =>
  Temporal.PlainTime.compare(start, end) < 0 || end.equals(MIDNIGHT);
const backwards = { path: ['end'], error: 'The stretch ends before it begins. Choose a later end.' };

const startText = z
  .string({ error: 'Name times by their start.' })
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'Name times by their start, such as 2026-10-15T12:00.');
const starts = z.array(startText).max(2000, 'At most 2000 times.').default([]);

/** What is offered, in the zone of the courses' term. */
export const offeringInput = z.object({
  repeat: z.enum(['dates', 'weekly'], { error: 'Say "dates" or "weekly".' }).default('dates'),
  stretches: z
    .array(z.object({ date: plainDate, start: clock, end: clock }).refine(endsLater, backwards), {
      error: 'Offer at least one stretch of time.',
    })
    .min(1, 'Offer at least one stretch of time.')
    .max(200, 'At most 200 stretches at once.'),
  until: plainDate.optional(),
  length: z.union([z.literal('whole'), wholeMinutes('The length of a time', 5, 720)], {
    error: 'The length of a time is 5 to 720 whole minutes, or "whole".',
  }),
  gap: wholeMinutes('The gap', 0, 240).default(0),
  breaks: z
    .array(z.object({ start: clock, end: clock }).refine(endsLater, backwards))
    .max(20, 'At most 20 breaks.')
    .default([]),
  leftOut: starts,
  allTheSame: starts,
});

const notice = z.discriminatedUnion(
  'kind',
  [
    z.object({ kind: z.literal('minutes'), minutes: wholeMinutes('The notice', 0, 60 * 24 * 60).min(0) }),
    z.object({
      kind: z.literal('day'),
      days: z.number({ error: 'Days are a number.' }).int().min(0).max(60),
      at: clock,
    }),
  ],
  { error: 'Say "minutes" or "day".' },
);

const rulesInput = z.object({
  perSheet: whole('Times per student', 100).default(1),
  perDay: whole('Times per student and day', 20).optional(),
  perWeek: whole('Times per student and week', 50).optional(),
  take: notice.default({ kind: 'minutes', minutes: 0 }),
  giveBack: notice.default({ kind: 'minutes', minutes: 0 }),
  opens: plainDateTime.optional(),
  closes: plainDateTime.optional(),
  namesShown: z.boolean().default(false),
  waitingList: z.boolean().default(false),
  question: z
    .object({
      text: line(300, 'Write the question.'),
      choices: z.array(line(200, 'Write the choice.')).max(20, 'At most 20 choices.').default([]),
    })
    .optional(),
  links: linksInput,
  together: z.boolean().default(true),
  privateMeetings: z.boolean().default(false),
});

/** What a sheet is called, who it is for, where one meets, its rules: what can be changed later, too. */
export const sheetFactsInput = z.object({
  title: line(200, 'Give it a title.'),
  audience: audienceInput,
  seats: whole('People per time', 100).default(1),
  hosts: z.array(personId).max(20, 'At most 20 people.').optional(),
  place: line(200).default(''),
  meetingLink: z.union([z.literal(''), url]).default(''),
  rules: rulesInput.default(rulesInput.parse({})),
});
export type SheetFactsInput = z.output<typeof sheetFactsInput>;

export const sheetInput = sheetFactsInput.extend({
  offering: offeringInput,
  offered: z.boolean().default(true),
});
export type SheetInput = z.output<typeof sheetInput>;
export type SheetInputJson = z.input<typeof sheetInput>;

/** What becomes of times that are taken and not in the new offering. */
export const retimeInput = z.object({
  offering: offeringInput,
  others: z.enum(['keep', 'cancel'], { error: 'Say "keep" or "cancel".' }).default('keep'),
  message: longText(2000).default(''),
});
export type RetimeInput = z.output<typeof retimeInput>;

export const takeTimeInput = z.object({
  note: longText(1000)
    .transform((text) => text.trim())
    .default(''),
  answer: longText(1000)
    .transform((text) => text.trim())
    .default(''),
});

/** A single time: another length, other seats; its own place or link, empty for where the sheet is, absent for as it was. */
export const slotInput = z
  .object({
    start: plainDateTime,
    end: plainDateTime,
    seats: whole('People per time', 100).default(1),
    place: line(200).optional(),
    meetingLink: z.union([z.literal(''), url]).optional(),
  })
  .refine(({ start, end }) => Temporal.PlainDateTime.compare(start, end) < 0, backwards)
  .refine(({ start, end }) => start.until(end).total('hours') <= 12, {
    path: ['end'],
    error: 'A time is at most 12 hours long.',
  });
export type SlotInput = z.output<typeof slotInput>;
