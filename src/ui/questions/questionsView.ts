import type { Temporal } from 'temporal-polyfill';
import type { SeenQuestion } from '@/core/questions/question';
import { questionTexts as say } from '@/core/texts/questions';

export type AnswerLine = Readonly<{ id: string; by: string; html: string }>;
export type QuestionLine = Readonly<{
  id: string;
  /** Who asked and when, as this reader may know it; and what else is to be known of it. */
  by: string;
  states: readonly string[];
  html: string;
  mine: boolean;
  closed: boolean;
  takenAway: boolean;
  reported: boolean;
  reports?: string;
  answers: readonly AnswerLine[];
}>;

const whoAsked = ({ mine, by }: SeenQuestion): string => (mine ? say.you : (by ?? say.byStudent));

/** The questions under something, as they are drawn. `when` writes an instant as its reader reads it. */
export const questionLines = (
  items: readonly SeenQuestion[],
  when: (at: Temporal.Instant) => string,
): QuestionLine[] =>
  items.map((question) => ({
    id: question.id,
    by: say.by({ name: whoAsked(question), when: when(question.at) }),
    states: [
      ...(question.everybody ? [] : [say.forStaff]),
      ...(question.closed ? [say.closed] : []),
      ...(question.answers.length === 0 && !question.closed && !question.takenAway ? [say.waits] : []),
      ...(question.reported ? [say.isReported] : []),
    ],
    html: question.text,
    mine: question.mine,
    closed: question.closed,
    takenAway: question.takenAway,
    reported: question.reported,
    ...(question.reasons.length > 0 ? { reports: say.reports(question.reasons) } : {}),
    answers: question.answers.map(({ id, authorName, text, at }) => ({
      id,
      by: say.by({ name: authorName || say.formerStaff, when: when(at) }),
      html: text,
    })),
  }));
