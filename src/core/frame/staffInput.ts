import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { plainDate } from '../fields';
import { personId, sectionId } from '../ids';
import { STAFF_ROLES } from '../may/role';
import { emailAddress } from '../people/personInput';
import { staffTexts } from '../texts/staff';

/** Somebody on a course's staff, by address or, where they are on it already, by who they are. */
export const staffInput = z
  .object({
    email: emailAddress.optional(),
    person: personId.optional(),
    role: z.enum(STAFF_ROLES, { error: staffTexts.chooseRole }).default('co'),
    /** For an assistant or a substitute who helps in some sections alone. */
    sections: z.array(sectionId).max(30).default([]),
    /** The first and the last day of a substitute. */
    from: plainDate.optional(),
    until: plainDate.optional(),
  })
  .refine(({ email, person }) => email !== undefined || person !== undefined, {
    path: ['email'],
    error: 'Type a whole e-mail address.',
  })
  .refine(({ role, from }) => role !== 'substitute' || from !== undefined, {
    path: ['from'],
    error: staffTexts.firstDayMissing,
  })
  .refine(({ role, until }) => role !== 'substitute' || until !== undefined, {
    path: ['until'],
    error: staffTexts.lastDayMissing,
  })
  .refine(({ from, until }) => !from || !until || Temporal.PlainDate.compare(from, until) <= 0, {
    path: ['until'],
    error: 'The last day lies before the first one.',
  });
export type StaffInput = z.output<typeof staffInput>;
