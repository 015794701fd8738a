import { z } from 'zod';
import { ALL_STRANDS } from '@/core/time/classNumber';

/** What answers of the API are made of: a thing of each list, a page of them, and what several acts answer. */

export const termRecord = z.object({
  rotatingDays: z.array(z.string()).optional(),
  id: z.string(),
  name: z.string(),
  startsOn: z.string(),
  endsOn: z.string(),
  zone: z.string(),
});

export const courseRecord = z.object({
  id: z.string(),
  term: z.string(),
  code: z.string(),
  title: z.string(),
  tag: z.string(),
  place: z.string(),
  archived: z.boolean(),
  staff: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      role: z.enum(['assistant', 'substitute', 'instructor', 'co']),
    }),
  ),
  sections: z.array(z.string()),
});

export const sectionRecord = z.object({
  id: z.string(),
  course: z.string(),
  name: z.string(),
  week: z.string(),
  firstDay: z.string().optional(),
  lastDay: z.string().optional(),
});

export const meetingRecord = z.object({
  id: z.string(),
  uid: z.string(),
  course: z.string(),
  section: z.string(),
  ordinal: z.number(),
  strand: z
    .enum(['week', 'lab', 'seminar', 'tutorial', 'workshop', 'studio', 'practical', 'rehearsal', 'clinic'])
    .optional(),
  start: z.string(),
  end: z.string(),
  zone: z.string(),
  place: z.string(),
  moved: z.boolean(),
  cancelled: z.string().optional(),
  classPlan: z.string().optional(),
  sequence: z.number(),
  lastModified: z.string(),
});

export const classPlanRecord = z.object({
  id: z.string(),
  course: z.string(),
  title: z.string(),
  description: z.string(),
  links: z.array(z.object({ url: z.string(), label: z.string() })),
  meetings: z.array(z.string()),
  sequence: z.number(),
  lastModified: z.string(),
});

/** Dates by kind: an event's start, end and rule; when work is set, opens, is due and closes; the day of what is announced or noted. */
export const entryRecord = z.object({
  id: z.string(),
  uid: z.string(),
  kind: z.enum(['event', 'assignment', 'announcement', 'note']),
  title: z.string(),
  description: z.string(),
  courses: z.array(z.string()),
  sections: z.array(z.string()),
  start: z.string().optional(),
  end: z.string().optional(),
  rrule: z.string().optional(),
  set: z.string().optional(),
  opens: z.string().optional(),
  due: z.string().optional(),
  closes: z.string().optional(),
  zone: z.string(),
  release: z.enum(['shown', 'notYet', 'draft', 'over']),
  cancelled: z.string().optional(),
  links: z.array(z.object({ url: z.string(), label: z.string() })).optional(),
  place: z.string().optional(),
  handIn: z.string().optional(),
  points: z.number().optional(),
  sequence: z.number(),
  created: z.string(),
  lastModified: z.string(),
});

export const materialRecord = z.object({
  id: z.string(),
  course: z.string(),
  parent: z.string().optional(),
  position: z.number(),
  kind: z.enum(['assignment', 'unit', 'page', 'webLink', 'webContent', 'recording', 'topic', 'test']),
  title: z.string(),
  url: z.string(),
  file: z.string().optional(),
  lastModified: z.string(),
});

export const sheetRecord = z.object({
  id: z.string(),
  uid: z.string(),
  title: z.string(),
  courses: z.array(z.string()),
  hosts: z.array(z.object({ id: z.string(), name: z.string() })),
  place: z.string(),
  zone: z.string(),
  slots: z.number(),
  release: z.enum(['shown', 'notYet', 'draft', 'over']),
  sequence: z.number(),
  lastModified: z.string(),
});

export const slotRecord = z.object({
  id: z.string(),
  sheet: z.string(),
  start: z.string(),
  end: z.string(),
  zone: z.string(),
  seats: z.number(),
  place: z.string(),
  taken: z.number(),
  mine: z.boolean(),
});

export const bookingRecord = z.object({
  id: z.string(),
  slot: z.string(),
  sheet: z.string(),
  start: z.string(),
  end: z.string(),
  zone: z.string(),
  mine: z.boolean(),
  person: z.string(),
  personName: z.string(),
});

export const closureRecord = z.object({
  id: z.string(),
  term: z.string(),
  course: z.string().optional(),
  sections: z.array(z.string()).optional(),
  name: z.string(),
  firstDay: z.string(),
  lastDay: z.string(),
  opensAt: z.string().optional(),
  closesAt: z.string().optional(),
  online: z.boolean(),
});

/** Which class of a section: of those of a strand, or of the others. */
export const classNumberRecord = z.object({
  ordinal: z.number(),
  strand: z.enum(ALL_STRANDS).optional(),
});

/** What becomes of an event of a calendar file. */
export const importedLine = z.object({
  state: z.enum(['new', 'changed', 'left', 'same', 'noted']),
  title: z.string(),
  when: z.string(),
  line: z.number(),
  why: z.string(),
});

/** A link as the panel shows it; of one to a material, which one, and whether its title is the material's. */
export const panelLink = z.object({
  url: z.string(),
  label: z.string(),
  staffOnly: z.boolean(),
  state: z.string().optional(),
  material: z.string().optional(),
  file: z.string().optional(),
  titled: z.boolean().optional(),
});

export const savedEntry = z.object({
  id: z.string(),
  uid: z.string(),
  sequence: z.number(),
  title: z.string(),
});

export const publishedOutlet = z.object({
  id: z.string(),
  kind: z.enum(['feed', 'embed']),
  audience: z.enum(['public', 'roster', 'personal']),
  name: z.string(),
  url: z.string(),
});

export const pageOf = <T extends z.ZodType>(record: T) =>
  z.object({ items: z.array(record), next: z.string().optional() });
