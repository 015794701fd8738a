import { z } from 'zod';
import { line } from '../fields';
import { safeUri } from '../icalendar/text';
import { courseIds, fileId, termId } from '../ids';
import type { OutsideCalendar } from './outsideCalendar';

const address = z
  .string({ error: 'Paste the address of a calendar.' })
  .trim()
  .max(2000, 'At most 2000 characters.')
  .refine((text) => /^(https?|webcal):/i.test(text) && safeUri(text) !== undefined && URL.canParse(text), {
    error: 'Paste a whole address, beginning with https://, http:// or webcal://.',
  });

const closes = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('none') }),
    z.object({ kind: z.literal('all') }),
    z.object({
      kind: z.literal('matching'),
      words: z
        .array(line(100, 'Type a word of the titles.'), { error: 'Type a word of the titles.' })
        .min(1, 'Type a word of the titles.')
        .max(20, 'At most 20 words.'),
    }),
  ])
  .default({ kind: 'none' });

const facts = {
  name: line(100, 'Give it a name.'),
  seenBy: z.enum(['staff', 'everyone'], { error: 'Say "staff" or "everyone".' }).default('everyone'),
  active: z.boolean().default(true),
  closes,
};

/** Where a calendar comes from: an address, or a file that was uploaded. */
const source = z
  .object({ url: address.optional(), file: fileId.optional() })
  .refine(({ url, file }) => (url === undefined) !== (file === undefined), {
    path: ['url'],
    error: 'Paste the address of a calendar, or choose a file.',
  });

const target = z.object({
  term: termId,
  /** Absent: all courses of the term, which is for the administrator. */
  courses: courseIds.optional(),
});

/** What is sent to look at a calendar before it is added. */
export const calendarLook = z.intersection(source, target.extend({ closes }));
export type CalendarLook = z.output<typeof calendarLook>;

/** What is sent to add one. */
export const calendarInput = z.intersection(source, target.extend(facts));
export type CalendarInput = z.output<typeof calendarInput>;
export type CalendarInputJson = z.input<typeof calendarInput>;

/** What is sent to change one: where it comes from and whose it is stays. */
export const calendarFacts = z.object(facts);
export type CalendarFacts = Pick<OutsideCalendar, 'name' | 'seenBy' | 'active' | 'closes'>;
