import { z } from 'zod';
import { line } from '../fields';
import type { Locale } from '../frame/locales';
import { LOCALES } from '../frame/locales';
import { personId } from '../ids';
import { guardianTexts } from '../texts/guardians';
import { zoneNamed } from '../time/zoneData';
import { GUARDIAN_SHOWS } from './guardian';

export const guardianInput = z.object({
  /** Whose: absent: one's own. */
  child: personId.optional(),
  name: line(100, guardianTexts.nameMissing),
  shows: z.array(z.enum(GUARDIAN_SHOWS, { error: 'Say places, own or bookings.' })).max(GUARDIAN_SHOWS.length).default([]),
}); // prettier-ignore
export type GuardianInput = z.output<typeof guardianInput>;

/** `bar`: why the office lets nobody of this name have an address of the child's again. */
export const guardianEndInput = z.object({ bar: line(300).optional() });

export const guardianLettersInput = z.object({
  /** Empty: no letters any more. */
  email: z.union([z.literal(''), z.email({ error: 'Type a whole e-mail address.' }).max(254).toLowerCase()]),
  locale: z.union([z.literal(''), z.enum(Object.keys(LOCALES) as [Locale, ...Locale[]], { error: 'Choose how dates are written.' })]).default(''),
  tzid: z.string().refine((name) => name === '' || zoneNamed(name) !== undefined, 'There is no time zone of this name.').default(''),
}); // prettier-ignore
export type GuardianLettersInput = z.output<typeof guardianLettersInput>;
