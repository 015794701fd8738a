import { z } from 'zod';
import { line } from '../fields';
import { LETTER_WHEN, NEWS_WHEN, USUAL_LETTERS } from '../mail/letters';
import { COURSE_COLORS } from '../plan/plan';
import { zoneNamed } from '../time/zoneData';
import type { Locale } from './locales';
import { LOCALES, WEEK_STARTS } from './locales';

const minutesBefore = z
  .number({ error: 'Type a number of minutes.' })
  .int('Whole minutes only.')
  .min(15, 'At least 15 minutes before.')
  .max(4 * 7 * 24 * 60, 'At most four weeks before.');

const when = z.enum(LETTER_WHEN, { error: 'Say now, daily, weekly or never.' });
/** Of each sort of letter: when it is written. What cannot be switched off is no sort of its own. */
const letters = z.object({
  near: when.default(USUAL_LETTERS.near),
  changes: when.default(USUAL_LETTERS.changes),
  times: when.default(USUAL_LETTERS.times),
  news: z.enum(NEWS_WHEN, { error: 'Say daily, weekly or never.' }).default(USUAL_LETTERS.news),
});

/** What somebody chooses for themselves; what is absent is as the school has it. */
export const personSettingsInput = z.object({
  locale: z
    .enum(Object.keys(LOCALES) as [Locale, ...Locale[]], { error: 'Choose how dates are written.' })
    .optional(),
  /** Hours of the clock in which times are written; absent: 24. */
  clock: z.literal([12, 24], { error: 'A clock has 12 or 24 hours.' }).optional(),
  /** Titles and times alone, without places, hand-in words and the like. */
  plain: z.boolean().default(false),
  weekStart: z.literal(WEEK_STARTS, { error: 'A week begins on a Monday, Sunday or Saturday.' }).optional(),
  /** Where one is, if not where the school is. */
  tzid: z
    .string()
    .refine(
      (name) => zoneNamed(name) !== undefined,
      'There is no time zone of this name. Write it as America/Halifax.',
    )
    .optional(),
  /** By a course's code: its colour for oneself. */
  colors: z
    .record(z.string().max(50), z.enum(COURSE_COLORS, { error: 'Choose one of the colours.' }))
    .default({}),
  letters: letters.default(USUAL_LETTERS),
  /** How many minutes before due work and taken times a letter is written; absent: none. */
  remind: z.object({ due: minutesBefore.optional(), booking: minutesBefore.optional() }).default({}),
  /** Of staff: how students and parents reach them, on the pages of their courses that anyone may read. */
  contact: line(200).default(''),
  /** Whether guardians read that, too. */
  guardiansRead: z.boolean().default(false),
});
export type PersonSettings = z.output<typeof personSettingsInput>;
export type PersonSettingsJson = z.input<typeof personSettingsInput>;
export const NO_PERSON_SETTINGS: PersonSettings = {
  plain: false,
  colors: {},
  letters: USUAL_LETTERS,
  contact: '',
  guardiansRead: false,
  remind: {},
};
