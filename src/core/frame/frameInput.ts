import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { STRANDS } from '../time/classNumber';
import { line, plainDate, readable, url } from '../fields';
import { courseId, personId, sectionId, termId } from '../ids';
import { COURSE_COLORS } from '../plan/plan';
import { SUGGESTED_RETENTION } from './retention';
import { retentionInput } from './retentionInput';
import { settingsFields } from './schoolSettings';
import { areHours } from '../time/classHours';
import { readPattern } from '../time/typedPattern';
import { zoneNamed } from '../time/zoneData';

const zoneName = z
  .string({ error: 'Choose a time zone.' })
  .refine(
    (name) => zoneNamed(name) !== undefined,
    'There is no time zone of this name. Write it as America/Halifax.',
  );

const plainTime = readable((text) => {
  if (!/^\d{2}:\d{2}$/.test(text)) throw new RangeError(text);
  return Temporal.PlainTime.from(text, { overflow: 'reject' });
}, 'Give a time, such as 13:00.');

/** A section's week as it is typed: `Tue Thu 10-11:50; Fri 9-10`. */
const week = z
  .string({ error: 'Write the week as: Tue Thu 10-11:50.' })
  .max(500, 'At most 500 characters.')
  .transform((text, context) => {
    const read = readPattern(text);
    if (read.ok) return read.classes;
    const say = {
      day: 'begins with no weekday. Write it as: Tue Thu 10-11:50.',
      time: 'has no times. Write it as: Tue Thu 10-11:50.',
      ask: 'could be morning or afternoon. Write 14:00-16:00, or 2a-4a.',
      backwards: 'ends before it begins.',
      weeks:
        'names weeks in a way that cannot be read. Write: odd weeks, every 3 weeks from week 2, or weeks 1-4, 9.',
    }[read.why];
    context.addIssue({ code: 'custom', message: `“${read.part}” ${say}` });
    return z.NEVER;
  });

const cycleDay = line(3, 'Name the day.').transform((name) => name.toUpperCase());

/** Days that rotate: their names in order, what a closed day does to its own, dates that are given another. */
const cycleInput = z
  .object({
    days: z
      .array(cycleDay, { error: 'Name the days that rotate.' })
      .min(2, 'At least two days rotate.')
      .max(20, 'At most 20 days rotate.')
      .refine((days) => new Set(days).size === days.length, 'Two days have the same name.'),
    weekdays: z
      .array(z.number().int().min(1).max(7))
      .min(1, 'Choose the weekdays that are school days.')
      .default([1, 2, 3, 4, 5]),
    onClosure: z.enum(['skip', 'use'], { error: 'Say "skip" or "use".' }).default('skip'),
    given: z
      .array(z.object({ date: plainDate, day: cycleDay }))
      .max(400)
      .default([]),
  })
  .superRefine(({ days, given }, context) => {
    for (const { day } of given)
      if (!days.includes(day))
        context.addIssue({
          code: 'custom',
          path: ['given'],
          message: `“${day}” is none of the days that rotate.`,
        });
  });

export const termInput = z
  .object({
    name: line(100, 'Give the term a name.'),
    startsOn: plainDate,
    endsOn: plainDate,
    tzid: zoneName,
    /** Absent: as it was; null: no days rotate. */
    cycle: cycleInput
      .nullable()
      .transform((cycle) => cycle ?? undefined)
      .optional(),
  })
  .refine(({ startsOn, endsOn }) => Temporal.PlainDate.compare(startsOn, endsOn) <= 0, {
    path: ['endsOn'],
    error: 'The term ends before it begins.',
  })
  .refine(({ startsOn, endsOn }) => startsOn.until(endsOn, { largestUnit: 'days' }).days <= 400, {
    path: ['endsOn'],
    error: 'A term is at most 400 days long.',
  });
export type TermInput = z.output<typeof termInput>;

export const setupInput = z.object({
  name: line(100, 'Type your name.'),
  email: z.email({ error: 'Type a whole e-mail address.' }).max(254),
  password: z.string({ error: 'Choose a password.' }).min(12, 'At least 12 characters.').max(1000),
  school: line(200, 'Type the name of the school.'),
  ...settingsFields,
  retention: retentionInput.default(SUGGESTED_RETENTION),
  /** The one-time code that the server printed; the demo asks for none. */
  code: z.string().max(100).default(''),
  term: termInput,
});
export type SetupInput = z.output<typeof setupInput>;

export const closureInput = z
  .object({
    term: termId,
    course: courseId.optional(),
    /** Of the course, where it concerns some of them alone. */
    sections: z.array(sectionId).min(1, 'Choose at least one section.').max(100).optional(),
    name: line(100, 'Give it a name.'),
    /** The first and the last closed day. */
    firstDay: plainDate,
    lastDay: plainDate,
    closesAt: plainTime.optional(),
    opensAt: plainTime.optional(),
    /** Classes take place, joined by their links. */
    online: z.boolean().default(false),
    /** What becomes of plans that lose their class: slid along the later classes of the courses that one plans, or waiting for one. */
    plans: z.enum(['slide', 'wait'], { error: 'Say "slide" or "wait".' }).default('wait'),
    /** What becomes of times still to come on closed days: taken off, and who holds one is told; or kept. */
    times: z.enum(['close', 'keep'], { error: 'Say "close" or "keep".' }).default('keep'),
    /** What becomes of work due on closed days: moved to the next open day, where the actor plans it; or kept. */
    due: z.enum(['move', 'keep'], { error: 'Say "move" or "keep".' }).default('keep'),
  })
  .refine(({ firstDay, lastDay }) => Temporal.PlainDate.compare(firstDay, lastDay) <= 0, {
    path: ['lastDay'],
    error: 'The last day lies before the first one.',
  })
  .refine(({ course, sections }) => course || !sections, {
    path: ['sections'],
    error: 'Sections are those of a course.',
  })
  .refine(({ online, opensAt, closesAt }) => !online || (!opensAt && !closesAt), {
    path: ['online'],
    error: 'A day is either online or open for some hours.',
  })
  .refine(
    ({ opensAt, closesAt }) => !opensAt || !closesAt || Temporal.PlainTime.compare(opensAt, closesAt) < 0,
    {
      path: ['closesAt'],
      error: 'It closes before it opens.',
    },
  );
export type ClosureInput = z.output<typeof closureInput>;

/** A date for everyone: an exam day, a deadline. Classes go on. */
export const siteDateInput = z
  .object({
    term: termId,
    name: line(100, 'Give it a name.'),
    firstDay: plainDate,
    lastDay: plainDate,
    at: plainTime.optional(),
  })
  .refine(({ firstDay, lastDay }) => Temporal.PlainDate.compare(firstDay, lastDay) <= 0, {
    path: ['lastDay'],
    error: 'The last day lies before the first one.',
  });
export type SiteDateInput = z.output<typeof siteDateInput>;

/** Themes of a course's weeks, in order: the first is week 1, an empty one is none. */
export const themesInput = z.object({
  themes: z.array(line(80)).max(60, 'A term has at most 60 weeks.'),
});

export const groupInput = z.object({
  name: line(50, 'Name the group.'),
  people: z.array(personId).max(1000).default([]),
});
export type GroupInput = z.output<typeof groupInput>;

export const courseInput = z.object({
  code: line(30, 'Give it a code, such as HL 210.'),
  title: line(200, 'Give it a title.'),
  tag: line(3, 'Give it a tag of two or three letters.').min(2, 'A tag has two or three letters.'),
  color: z.enum(COURSE_COLORS, { error: 'Choose one of the ten colours.' }),
  credits: z
    .number({ error: 'Credits are a number.' })
    .min(0, 'Credits are 0 or more.')
    .max(100, 'At most 100 credits.')
    .optional(),
  weeklyHours: z
    .number({ error: 'Hours are a number.' })
    .min(0, 'Hours are 0 or more.')
    .max(168, 'A week has 168 hours.')
    .optional(),
  sharesTitles: z.boolean().default(false),
  place: line(200).default(''),
  meetingLink: z
    .union([z.literal(''), url], { error: 'Paste a whole address, beginning with https:// or http://.' })
    .default(''),
});
export type CourseInput = z.output<typeof courseInput>;

export const newCourseInput = z.object({
  ...courseInput.shape,
  term: termId,
  instructor: personId,
  sections: z
    .array(z.object({ name: line(50, 'Name the section.'), week }))
    .min(1, 'A course has at least one section.')
    .max(30, 'At most 30 sections.')
    .refine(
      (list) => new Set(list.map((s) => s.name)).size === list.length,
      'Two sections have the same name.',
    ),
});
export type NewCourseInput = z.output<typeof newCourseInput>;

const sectionName = line(50, 'Name the section.');
export const sectionInput = z.object({ name: sectionName, week });
export type SectionInput = z.output<typeof sectionInput>;

/** What a section is called, and its own first and last day, both included; absent: the term's. */
export const sectionFactsInput = z
  .object({ name: sectionName, firstDay: plainDate.optional(), lastDay: plainDate.optional() })
  .refine(
    ({ firstDay, lastDay }) => !firstDay || !lastDay || Temporal.PlainDate.compare(firstDay, lastDay) <= 0,
    {
      path: ['lastDay'],
      error: 'The last day lies before the first one.',
    },
  );
export type SectionFactsInput = z.output<typeof sectionFactsInput>;

const hours = { date: plainDate, start: plainTime, end: plainTime };
const HOURS = { path: ['end'], error: 'It ends before it begins.' };

/** A class outside of the pattern. */
export const extraClassInput = z
  .object({ ...hours, place: line(200).default(''), strand: z.enum(STRANDS).optional() })
  .refine(areHours, HOURS);
export type ExtraClassInput = z.output<typeof extraClassInput>;

/** Another room for a section's classes from a day on, or until one; empty: where the course's classes are. */
export const roomsInput = z
  .object({ from: plainDate, until: plainDate.optional(), place: line(200).default('') })
  .refine(({ from, until }) => !until || Temporal.PlainDate.compare(from, until) <= 0, {
    path: ['until'],
    error: 'The last day lies before the first one.',
  });
export type RoomsInput = z.output<typeof roomsInput>;

export const patternInput = z.object({ from: plainDate, week });
export type PatternInput = z.output<typeof patternInput>;

/** One class moved to another place, called off with a reason, or taking place after all. */
export const meetingInput = z.discriminatedUnion(
  'act',
  [
    z.object({ act: z.literal('move'), ...hours, place: line(200).optional() }).refine(areHours, HOURS),
    z.object({ act: z.literal('cancel'), reason: line(300).default('') }),
    z.object({ act: z.literal('restore') }),
  ],
  { error: 'Say what to do: "move", "cancel" or "restore".' },
);
export type MeetingInput = z.output<typeof meetingInput>;
