import { z } from 'zod';
import { line, plainDate } from '../fields';
import { calendarId, courseId, entryId, fileId, sectionId } from '../ids';
import { COURSE_COLORS } from '../plan/plan';
import {
  DEFAULT_LOOK,
  DETAILS,
  EMBED_VIEWS,
  OUTLET_KINDS,
  PERSONAL_KINDS,
  REMINDER_KINDS,
  ROW_HEIGHTS,
  SCHEMES,
  TIMES_AS,
} from './outlet';

const oneOf = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `Say one of ${values.join(', ')}.` });

const FIVE_WEEKS = 35 * 24 * 60;
const composed = {
  daysBack: z
    .number({ error: 'Type a number of days.' })
    .int('Whole days only.')
    .min(0, 'At least 0 days.')
    .max(400, 'At most 400 days.')
    .optional(),
  tags: z.boolean().default(true),
  detail: oneOf(DETAILS).default('full'),
  reminders: z
    .array(
      z.object({
        kind: oneOf(REMINDER_KINDS),
        minutes: z
          .number({ error: 'Type a number of minutes.' })
          .int('Whole minutes only.')
          .min(0, 'At least 0 minutes.')
          .max(FIVE_WEEKS, 'At most five weeks before.'),
      }),
    )
    .max(12, 'At most 12 reminders.')
    .default([]),
};

/** `https://site.example`, as a browser names the origin of a page. */
const origin = z
  .string({ error: 'Type the address of a site.' })
  .trim()
  .max(300)
  .transform((text, context) => {
    const url = URL.canParse(text) ? new URL(text) : undefined;
    if (url && /^https?:$/.test(url.protocol)) return url.origin;
    context.addIssue({
      code: 'custom',
      message: 'Type the address of a site, such as https://site.example.',
    });
    return z.NEVER;
  });

const locale = z
  .string()
  .max(35)
  .refine((tag) => {
    try {
      return tag === '' || Intl.DateTimeFormat.supportedLocalesOf(tag).length > 0;
    } catch {
      return false;
    }
  }, 'There is no such language. Write it as en-GB or fr-CA.');

const lookInput = z.object({
  view: oneOf(EMBED_VIEWS).default('days'),
  entry: entryId.optional(),
  date: plainDate.transform((date) => date.toString()).optional(),
  title: line(200).default(''),
  locale: locale.default(''),
  weekStart: z.number().int().min(1).max(7).optional(),
  scheme: oneOf(SCHEMES).default('reader'),
  color: oneOf(['spruce', ...COURSE_COLORS]).default('spruce'),
  rows: oneOf(ROW_HEIGHTS).default('usual'),
  height: z
    .number({ error: 'Type a height in pixels.' })
    .int('Whole pixels only.')
    .min(120, 'At least 120 pixels.')
    .max(4000, 'At most 4000 pixels.')
    .default(DEFAULT_LOOK.height),
  filters: z.boolean().default(true),
  origins: z.array(origin).max(20, 'At most 20 sites.').default([]),
});

/** What is sent to publish a feed or an embed, or to change one: the whole of it. Personal feeds are made by Pembit. */
export const outletInput = z.object({
  kind: z.enum(['feed', 'embed'], { error: 'Choose "feed" or "embed".' }),
  audience: z.enum(['public', 'roster'], { error: 'Choose "public" or "roster".' }),
  name: line(200, 'Give it a name.'),
  courses: z
    .array(courseId, { error: 'Tick at least one course.' })
    .min(1, 'Tick at least one course.')
    .max(30),
  /** Whose classes it holds, where a course has several; absent: those of all. */
  sections: z.array(sectionId).max(100).optional(),
  calendars: z.array(calendarId).max(30).default([]),
  kinds: z
    .array(z.enum(OUTLET_KINDS, { error: `Each is one of ${OUTLET_KINDS.join(', ')}.` }))
    .min(1, 'Tick at least one kind.')
    .default([...OUTLET_KINDS]),
  times: z.enum(TIMES_AS, { error: 'Say "days" or "single".' }).default('days'),
  meetingLinks: z.boolean().default(false),
  /** Whether uploaded files open for its readers; absent: for the students of the course. */
  files: z.boolean().optional(),
  /** Recordings that anyone may play, where files are open. */
  recordings: z.array(fileId).max(200, 'At most 200 recordings.').default([]),
  /** Whether rooms and names of sections are in it; absent: unless anyone may read it, and students are minors. */
  places: z.boolean().optional(),
  ...composed,
  look: lookInput.default(DEFAULT_LOOK as z.output<typeof lookInput>),
});
export type OutletInput = z.output<typeof outletInput>;
export type OutletInputJson = z.input<typeof outletInput>;

/** What is sent to change what is in one's personal feed. */
export const personalFeedInput = z.object({
  kinds: z.array(oneOf(PERSONAL_KINDS)).min(1, 'Tick at least one kind.'),
  ...composed,
});
export type PersonalFeedInput = z.output<typeof personalFeedInput>;
export type PersonalFeedInputJson = z.input<typeof personalFeedInput>;
