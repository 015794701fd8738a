import { z } from 'zod';
import { line, longText } from '../fields';
import { DEFAULT_LOCALE } from '../time/dateLabels';
import type { Retention } from './retention';
import type { Students } from './students';
import { STUDENTS } from './students';
import type { Locale } from './locales';
import { LOCALES, WEEK_STARTS } from './locales';
import { retentionInput } from './retentionInput';

export type SchoolSettings = Readonly<{
  name: string;
  locale: string;
  weekStart: number;
  retention: Retention;
  /** Why nothing is forgotten for age at present (a legal case); empty: it is. */
  heldFor: string;
  /** How much room the files of one course, and of all, may have. */
  courseMegabytes: number;
  schoolMegabytes: number;
  /** Whether whoever teaches or administers sets up a second step of signing in before anything else. */
  secondStepForStaff: boolean;
  students: Students;
  /** A line at the head of every page; empty: none. */
  notice: string;
  /** Whom one writes to who cannot use something; empty: nobody is named. */
  accessContact: string;
  /** What the school adds to the statement on accessibility. */
  accessStatement: string;
}>;

export const NO_SETTINGS: SchoolSettings = {
  name: '',
  locale: DEFAULT_LOCALE,
  weekStart: 1,
  secondStepForStaff: false,
  students: 'adults',
  retention: {},
  heldFor: '',
  courseMegabytes: 2048,
  schoolMegabytes: 51_200,
  notice: '',
  accessContact: '',
  accessStatement: '',
};

export const settingsFields = {
  locale: z
    .enum(Object.keys(LOCALES) as [Locale, ...Locale[]], { error: 'Choose how dates are written.' })
    .default('en-GB'),
  weekStart: z.literal(WEEK_STARTS, { error: 'A week begins on a Monday, Sunday or Saturday.' }).default(1),
};

const megabytes = z
  .number({ error: 'Type a number of megabytes.' })
  .int('Type a whole number of megabytes.')
  .min(1, 'At least 1 MB.')
  .max(100_000_000, 'At most 100 TB.');

export const settingsInput = z.object({
  name: line(200, 'Type the name of the school.'),
  ...settingsFields,
  retention: retentionInput.optional(),
  heldFor: line(200).optional(),
  notice: line(300).optional(),
  accessContact: line(200).optional(),
  accessStatement: longText(5000).optional(),
  courseMegabytes: megabytes.optional(),
  schoolMegabytes: megabytes.optional(),
  secondStepForStaff: z.boolean().default(false),
  students: z.enum(STUDENTS, { error: 'Say "adults", "minors" or "mixed".' }).optional(),
});
export type SettingsInput = z.output<typeof settingsInput>;
