import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { wholeAddress } from './links/wholeAddress';
import { safeUri } from './icalendar/text';
import { wallFrom } from './time/zonedWall';

/** Building blocks of the schemas at the edge: what arrives as text leaves as core types, or with a sentence. */

export function readable<T>(read: (text: string) => T, message: string) {
  return z.string({ error: message }).transform((text, context): T => {
    try {
      return read(text);
    } catch {
      context.addIssue({ code: 'custom', message });
      return z.NEVER;
    }
  });
}

const strictDate = (text: string) => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) throw new RangeError(text);
  return inUse(Temporal.PlainDate.from(text, { overflow: 'reject' }));
};

const strictWall = (text: string) => {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(\[_pass=2\])?$/.test(text)) throw new RangeError(text);
  return inUse(wallFrom(text));
};

/** Years a course calendar has a use for; elsewhere a typing mistake is likelier. */
function inUse<T extends { year: number }>(value: T): T {
  if (value.year < 1970 || value.year > 2100) throw new RangeError('year');
  return value;
}

export const plainDate = readable(strictDate, 'Give a date, such as 2026-10-15.');
export const plainDateTime = readable(strictWall, 'Give a date and time, such as 2026-10-15T17:00.');
/** A day, or a wall time in the zone of the course's term. */
export const dayOrWall = readable(
  (text) => (text.includes('T') ? strictWall(text) : strictDate(text)),
  'Give a date (2026-10-15) or a date and time (2026-10-15T17:00).',
);

/** One line of text. */
export const line = (max: number, missing?: string) => {
  const text = z
    .string({ error: missing ?? 'This must be text.' })
    .trim()
    .max(max, `At most ${max} characters.`)

    .regex(/^[^\u0000-\u001f\u007f]*$/, 'This must be a single line.');
  return missing ? text.min(1, missing) : text;
};

export const longText = (max: number) =>
  z.string({ error: 'This must be text.' }).max(max, `At most ${max} characters.`);

/** An address that may be opened from a calendar: http, https, mailto or tel; one without its scheme is https. */
export const url = z
  .string({ error: 'Paste an address.' })
  .trim()
  .max(2000, 'At most 2000 characters.')
  .transform(wholeAddress)
  .refine((text) => safeUri(text) !== undefined && !/^webcal:/i.test(text) && URL.canParse(text), {
    error: 'Paste a whole address, beginning with https:// or http://.',
  });
