import { z } from 'zod';
import { dayOrWall, line, longText, plainDate, plainDateTime, url } from '../fields';
import { courseId, groupId, personId, sectionId } from '../ids';

const some = <T extends z.ZodType>(item: T, what: string) =>
  z.array(item).min(1, `Choose at least one ${what}, or everyone.`).max(500).optional();

export const audienceInput = z
  .array(
    z.object({
      course: courseId,
      sections: some(sectionId, 'section'),
      groups: some(groupId, 'group'),
      people: some(personId, 'student'),
    }),
    { error: 'Choose at least one course.' },
  )
  .min(1, 'Choose at least one course.')
  .max(30, 'At most 30 courses at once.')
  .refine(
    (parts) => new Set(parts.map((p) => p.course)).size === parts.length,
    'Each course can be named once.',
  );

const common = {
  title: line(200, 'Give it a title.'),
  description: longText(20_000).default(''),
  audience: audienceInput,
  links: z
    .array(z.object({ url, label: line(200).default(''), staffOnly: z.boolean().default(false) }))
    .max(50, 'At most 50 links.')
    .default([]),
  visibility: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('draft') }),
      z.object({ kind: z.literal('visible') }),
      z.object({ kind: z.literal('from'), from: plainDateTime }),
    ])
    .default({ kind: 'visible' }),
};

const eventInput = z.object({
  ...common,
  kind: z.literal('event'),
  start: dayOrWall,
  /** Exclusive: the day after the last one, or the time it ends. Absent: one day, or no end time. */
  end: dayOrWall.optional(),
  place: line(200).default(''),
});

const assignmentInput = z.object({
  ...common,
  kind: z.literal('assignment'),
  setOn: plainDate.optional(),
  due: dayOrWall,
  handIn: line(500).default(''),
});

/** What is sent to plan an event or an assignment, or to change one: the whole of it, each time. */
export const entryInput = z.discriminatedUnion('kind', [eventInput, assignmentInput], {
  error: 'Say what this is: "event" or "assignment".',
});
export type EntryInput = z.output<typeof entryInput>;
export type EntryInputJson = z.input<typeof entryInput>;
