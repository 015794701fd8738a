import * as en from './compiled/en/messages';
import { extend } from './extend';
import { listed } from './entries';
import type { Condition, Within } from '../messages/messageInput';

const within: Record<Within, string> = { thisWeek: 'this week', nextWeek: 'next week', term: 'this term' };

/** Words of what staff write to students. */
export const messageTexts = extend(en.messageTexts, {
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
  letter: (name: string, author: string, text: string, why: string) =>
    `Hello ${name},\n\n${text.trim()}\n\n${author}\n\n--\nYou get this letter because it was written to ${why}.\n`,
});
