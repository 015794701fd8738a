import type { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId } from '../ids';

export type Answer = Readonly<{
  id: string;
  author: PersonId | null;
  /** Empty where the account is gone. */
  authorName: string;
  /** Formatted, cleaned. */
  text: string;
  at: Temporal.Instant;
}>;

/** What a student asked under an entry or a class. */
export type Question = Readonly<{
  id: string;
  /** The entry or class that it stands under. */
  about: string;
  course: CourseId;
  author: PersonId;
  authorName: string;
  /** Formatted, cleaned. */
  text: string;
  /** Whether everybody who sees what it stands under reads it; else its author and the staff of that moment. */
  everybody: boolean;
  /** Whether classmates read who asks. */
  named: boolean;
  at: Temporal.Instant;
  closed: boolean;
  /** Taken away by the staff or its author: a mark stays where it was. */
  takenAway: boolean;
  /** Of a private one: the staff it was asked, and whom it was handed on to. */
  readers: ReadonlySet<PersonId>;
  /** Who has reported it. */
  reportedBy: ReadonlySet<PersonId>;
  /** Why, where they said so. */
  reasons: readonly string[];
  answers: readonly Answer[];
}>;

/** A reader of what a question stands under, as its staff or not. */
export type QuestionReader = Readonly<{ id: PersonId; asStaff: boolean }>;

/** A question as one reader may know it. */
export type SeenQuestion = Readonly<{
  id: string;
  /** Empty where it was taken away. */
  text: string;
  at: Temporal.Instant;
  /** Who asked, where this reader may know it. */
  by?: string;
  mine: boolean;
  everybody: boolean;
  named: boolean;
  closed: boolean;
  takenAway: boolean;
  answers: readonly Answer[];
  reported: boolean;
  /** For the staff: why it was reported, a line for each. */
  reasons: readonly string[];
}>;

/** Whether somebody who sees what a question stands under reads it. */
export const readsQuestion = (
  { id, asStaff }: QuestionReader,
  { everybody, author, readers }: Pick<Question, 'everybody' | 'author' | 'readers'>,
): boolean => everybody || author === id || (asStaff && readers.has(id));

/** A question as somebody who sees what it stands under may know it, or nothing. Staff read who asks; classmates where the student wants it. */
export function seenQuestion(reader: QuestionReader, question: Question): SeenQuestion | undefined {
  if (!readsQuestion(reader, question)) return undefined;
  const { id, at, everybody, named, closed, takenAway, author } = question;
  const mine = author === reader.id;
  const common = { id, at, mine, everybody, named, closed, takenAway, reported: question.reportedBy.has(reader.id) };
  if (takenAway) return { ...common, text: '', answers: [], reasons: [] };
  return {
    ...common,
    text: question.text,
    ...(mine || reader.asStaff || named ? { by: question.authorName } : {}),
    answers: question.answers,
    reasons: reader.asStaff ? question.reasons : [],
  };
} // prettier-ignore

/** Whether a question waits for an answer. */
export const waits = ({
  closed,
  takenAway,
  answers,
}: Pick<Question, 'closed' | 'takenAway' | 'answers'>): boolean =>
  !closed && !takenAway && answers.length === 0;

/**
 * Parts of a name (three letters or longer) that a text holds, written as in the name and not at the start of a sentence, where any
 * word may look like one: an answer for everybody names nobody.
 */
export function namesIn(text: string, name: string): readonly string[] {
  const within = text.replace(/(^|[.!?:;\n]\s*)[\p{L}\p{M}'’-]+/gu, '$1');
  const words = new Set(within.match(WORDS));
  return (name.match(WORDS) ?? []).filter((word) => word.length > 2 && words.has(word));
}
const WORDS = /[\p{L}\p{M}'’-]+/gu;
