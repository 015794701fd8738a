import { listed } from './entries';
import type { Condition, Within } from '../messages/messageInput';

const within: Record<Within, string> = { thisWeek: 'this week', nextWeek: 'next week', term: 'this term' };

/** Words of what staff write to students. */
export const messageTexts = {
  title: 'Write to students',
  lead: 'Each gets a letter of their own. Whoever replies writes to you.',
  link: 'Write to students',
  about: (title: string) => `About: ${title}`,
  narrowedTo: 'Only those',
  everyone: 'everybody of them',
  chooseSome: 'Tick the course, or some of it.',
  /** Within a sentence, behind whom a message is for. */
  condition: (condition: Condition): string => {
    switch (condition.kind) {
      case 'everyone':
        return '';
      case 'withTime':
        return `with a time ${within[condition.within]}`;
      case 'withoutTime':
        return `without a time ${within[condition.within]}`;
      case 'notHere':
        return 'who have not signed in yet';
      case 'coming':
        return 'who said that they come';
      case 'notReplied':
        return 'who have not answered';
      default:
        return condition satisfies never;
    }
  },
  course: 'Course',
  /** Whom it is for, before it is narrowed: `everybody in HL`, `section B, 2 named students of HL`. */
  whom: (
    tag: string,
    {
      sections,
      groups,
      people,
    }: Readonly<{ sections: readonly string[]; groups: readonly string[]; people: number }>,
  ): string => {
    const parts = [
      ...(sections.length > 0
        ? [`${sections.length === 1 ? 'section' : 'sections'} ${listed(sections)}`]
        : []),
      ...groups,
      ...(people > 0 ? [people === 1 ? '1 named student' : `${people} named students`] : []),
    ];
    return parts.length > 0 ? `${listed(parts)} of ${tag}` : `everybody in ${tag}`;
  },
  sentence: (audience: string, condition: Condition): string =>
    [audience, messageTexts.condition(condition)].filter(Boolean).join(', '),
  noEntry: 'This course has no such entry.',
  asksNobody: 'What it is about does not ask who is coming.',
  subject: 'Subject',
  text: 'Text',
  look: 'See whom it reaches',
  nobody: 'Nobody: no student of these meets that.',
  reaches: (n: number) => (n === 1 ? 'It reaches 1 student:' : `It reaches ${n} students:`),
  more: (n: number) => `and ${n} more`,
  send: (n: number) => (n === 1 ? 'Write to 1 student' : `Write to ${n} students`),
  wrote: (n: number, subject: string) =>
    n === 1 ? `Wrote to 1 student: ${subject}` : `Wrote to ${n} students: ${subject}`,
  before: 'Written before',
  none: 'Nothing has been written to these students yet.',
  line: (n: number, audience: string) => `${n === 1 ? '1 student' : `${n} students`}: ${audience}`,
  letter: (name: string, author: string, text: string, why: string) =>
    `Hello ${name},\n\n${text.trim()}\n\n${author}\n\n--\nYou get this letter because it was written to ${why}.\n`,
  letterAbout: (title: string, link: string) => `${title}: ${link}`,
} as const;
