import { ALL_STRANDS } from '../time/classNumber';
import { z } from 'zod';
import { dayOrWall, line, longText, plainDate, plainDateTime, url } from '../fields';
import { courseId, entryId, fileId, groupId, materialId, personId, sectionId } from '../ids';
import { LATE_WORK } from './entry';
import { pacing } from './pacing';
import { freqFirst, hasShortLists, isRule } from '../series/isRule';
import { ruleParts } from '../series/rule';

const some = <T extends z.ZodType>(item: T, what: string) =>
  z.array(item).min(1, `Choose at least one ${what}, or everyone.`).max(500).optional();

/** Some of those in a course; all absent: everybody. */
export const audienceParts = {
  sections: some(sectionId, 'section'),
  groups: some(groupId, 'group'),
  people: some(personId, 'student'),
};

export const audienceInput = z
  .array(z.object({ course: courseId, ...audienceParts }), { error: 'Choose at least one course.' })
  .min(1, 'Choose at least one course.')
  .max(30, 'At most 30 courses at once.')
  .refine(
    (parts) => new Set(parts.map((p) => p.course)).size === parts.length,
    'Each course can be named once.',
  );

export const linksInput = z
  .array(
    z
      .object({
        url: z.union([z.literal(''), url]).default(''),
        label: line(200).default(''),
        staffOnly: z.boolean().default(false),
        /** A material of the course, in the place of an address. */
        material: materialId.optional(),
        /** An uploaded file, likewise; its label is its name. */
        file: fileId.optional(),
      })
      .refine(
        ({ url: address, material, file }) => address !== '' || material !== undefined || file !== undefined,
        {
          path: ['url'],
          error: 'Paste a whole address, beginning with https:// or http://.',
        },
      ),
  )
  .max(50, 'At most 50 links.')
  .default([]);

export const titleInput = line(200, 'Give it a title.');
const text = { title: titleInput, description: longText(60_000).default('') };

const shared = {
  ...text,
  audience: audienceInput,
  links: linksInput,
  visibility: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('draft') }),
      z.object({ kind: z.literal('visible') }),
      z.object({ kind: z.literal('from'), from: plainDateTime }),
      z.object({
        kind: z.literal('before'),
        days: z
          .number({ error: 'Type a number of days.' })
          .int('Whole days only.')
          .min(0, 'At least 0 days.')
          .max(365, 'At most 365 days.'),
      }),
    ])
    .default({ kind: 'visible' }),
  hiddenAfter: plainDateTime.optional(),
};

const RULE_PARTS = new Set([
  'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'BYDAY', 'BYMONTHDAY', 'BYYEARDAY', 'BYWEEKNO', 'BYMONTH', 'BYHOUR', 'BYMINUTE', 'BYSETPOS', 'WKST',
]); // prettier-ignore

/** The rules that a course calendar has a use for; UNTIL is a date, or a wall time of the series' zone. */
const isPlannable = (rrule: string): boolean => {
  const parts = ruleParts(rrule);
  const atMost = (name: string, max: number) => Number(parts.get(name) ?? 1) <= max;
  return (
    isRule(rrule) &&
    hasShortLists(parts) &&
    [...parts.keys()].every((name) => RULE_PARTS.has(name)) &&
    /^(DAILY|WEEKLY|MONTHLY|YEARLY)$/.test(parts.get('FREQ') ?? '') &&
    /^((19|20)\d{2}.*[^Z])?$/.test(parts.get('UNTIL') ?? '') &&
    atMost('INTERVAL', 99) &&
    atMost('COUNT', 500)
  );
};

export const ruleText = z
  .string({ error: 'Say how it repeats.' })
  .max(300)
  .refine(isPlannable, 'This is not a way to repeat that Pembit knows, such as FREQ=WEEKLY;COUNT=4.');

const eventInput = z.object({
  ...shared,
  kind: z.literal('event'),
  start: dayOrWall,
  /** Exclusive: the day after the last one, or the time it ends. Absent: one day, or no end time. */
  end: dayOrWall.optional(),
  place: line(200).default(''),
  meetingLink: z.union([z.literal(''), url]).default(''),
  /** What the link is called; empty: no name of its own. */
  meetingName: line(80).default(''),
  meetingText: longText(5000).default(''),
  rrule: ruleText.transform(freqFirst).optional(),
  /** Whether the series leaves out days without classes; absent: as it was, and if it is new, no. */
  skipsClosures: z.boolean().optional(),
  coming: z
    .object({
      seats: z
        .number({ error: 'Type a number of seats.' })
        .int('Whole seats only.')
        .min(1, 'At least 1 seat.')
        .max(10_000)
        .optional(),
    })
    .optional(),
});

/** How many days after its original a copy lies. */
export const copyDays = z
  .number({ error: 'Give a number of days.' })
  .int('Whole days only.')
  .min(-366, 'At most a year before.')
  .max(366, 'At most a year later.');

const classRef = z
  .object({
    ordinal: z
      .number({ error: 'Type the number of a class.' })
      .int('Type the number of a class.')
      .min(1, 'Classes are counted from 1.')
      .max(400, 'At most 400.'),
    strand: z.enum(ALL_STRANDS, { error: 'Name what counts apart, such as "lab".' }).optional(),
    edge: z.enum(['start', 'end'], { error: 'Say "start" or "end".' }).default('start'),
  })
  .optional();

const assignmentInput = z
  .object({
    ...shared,
    kind: z.literal('assignment'),
    setOn: plainDate.optional(),
    opens: dayOrWall.optional(),
    /** Absent where it follows a class. */
    due: dayOrWall.optional(),
    closes: dayOrWall.optional(),
    /** Dates that follow a class, by its number; they take the place of those above. */
    atClass: z.object({ setOn: classRef, opens: classRef, due: classRef, closes: classRef }).optional(),
    handIn: line(500).default(''),
    /** `taken` counts until it closes, where it does. */
    lateWork: z.enum(LATE_WORK, { error: 'Say "refused" or "taken".' }).optional(),
    handInAgain: z.boolean().optional(),
    latePolicy: longText(2000).default(''),
    points: z
      .number({ error: 'Points are a number.' })
      .min(0, 'Points are 0 or more.')
      .max(100_000, 'At most 100000 points.')
      .optional(),
    effortMinutes: z
      .number({ error: 'Effort is a number of minutes.' })
      .int('Whole minutes only.')
      .min(1, 'At least a minute.')
      .max(100_000)
      .optional(),
    /** By each student's own start; `due` is then the last day. */
    pacing: pacing.optional(),
    extensions: z
      .array(
        z.object({
          person: personId,
          due: dayOrWall,
          /** Absent: as many days later as the due time. */
          closes: dayOrWall.optional(),
          hiddenAfter: plainDateTime.optional(),
        }),
      )
      .max(500)
      .default([])
      .refine(
        (list) => new Set(list.map((e) => e.person)).size === list.length,
        'Each student has one extended due time.',
      ),
  })
  .refine(({ due, atClass }) => due !== undefined || atClass?.due !== undefined, {
    path: ['due'],
    error: 'Say when it is due.',
  });

const announcementInput = z.object({ ...shared, kind: z.literal('announcement'), on: plainDate });

const noteInput = z.object({
  ...text,
  kind: z.literal('note'),
  on: dayOrWall,
  /** The entry it hangs on, said when it is written; afterwards it stays. */
  about: entryId.optional(),
});

/** What is sent to plan something, or to change it: the whole of it, each time. */
export const entryInput = z.discriminatedUnion(
  'kind',
  [eventInput, assignmentInput, announcementInput, noteInput],
  { error: 'Say what this is: "event", "assignment", "announcement" or "note".' },
);
export type EntryInput = z.output<typeof entryInput>;
export type EntryInputJson = z.input<typeof entryInput>;
