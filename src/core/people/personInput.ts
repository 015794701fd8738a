import { z } from 'zod';
import { line } from '../fields';

export const emailAddress = z.email({ error: 'Type a whole e-mail address.' }).max(254).toLowerCase();

/** Somebody as the office adds them. */
export const personInput = z.object({ name: line(100, 'Type the name.'), email: emailAddress });
export type PersonInput = z.output<typeof personInput>;
