import { z } from 'zod';
import { line, longText } from '../fields';
import { personId } from '../ids';
import { plainText } from '../richText/plainText';
import { questionTexts } from '../texts/questions';

/** The longest a question or an answer may be, in characters that are read. */
export const MOST_CHARACTERS = 2000;

const text = longText(20_000)
  .refine((html) => plainText(html).trim() !== '', questionTexts.empty)
  .refine(
    (html) => plainText(html).length <= MOST_CHARACTERS,
    questionTexts.tooLong({ most: MOST_CHARACTERS }),
  );

/** What a question may stand under: an entry or a class. */
export const aboutInput = z.uuid('This is not an entry or a class.');

export const questionInput = z.object({
  about: aboutInput,
  text,
  /** For everybody who sees what it stands under; else for the staff alone. */
  everybody: z.boolean().default(false),
  /** With the name for classmates. */
  named: z.boolean().default(false),
});
export type QuestionInput = z.output<typeof questionInput>;

export const answerInput = z.object({ text });
export const reportInput = z.object({ reason: line(500).default('') });
/** What becomes of a question; what is absent stays. */
export const questionStateInput = z.object({
  closed: z.boolean().optional(),
  takenAway: z.boolean().optional(),
  /** Reports were looked at: it may stand. */
  reported: z.literal(false).optional(),
});
export type QuestionState = z.output<typeof questionStateInput>;
/** Whether questions may be asked; null: as the course has it. */
export const askingInput = z.object({ open: z.boolean().nullable() });
export const handOnInput = z.object({ to: personId });
