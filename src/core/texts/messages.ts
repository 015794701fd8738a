import * as en from './compiled/en/messages';
import { extend } from './extend';
import type { Condition } from '../messages/messageInput';
import { commas } from './formats';

const said = en.messageTexts;
type Parts = Readonly<{ sections: readonly string[]; groups: readonly string[]; people: number }>;

/** Words of what staff write to students. */
export const messageTexts = extend(en.messageTexts, {
  /** Within a sentence, behind whom a message is for. */
  condition: (condition: Condition): string => {
    if (condition.kind === 'everyone') return '';
    if (condition.kind === 'withTime' || condition.kind === 'withoutTime')
      return said.conditionWords[condition.kind]({ within: condition.within });
    return said.conditionWords[condition.kind];
  },
  /** Whom it is for, before it is narrowed: `everybody in HL`, `section B, 2 named students of HL`. */
  whom: (tag: string, { sections, groups, people }: Parts): string => {
    const parts = [
      ...(sections.length > 0 ? [said.ofSections({ n: sections.length, names: sections })] : []),
      ...groups,
      ...(people > 0 ? [said.namedStudents({ n: people })] : []),
    ];
    return parts.length > 0 ? said.partsOf({ parts, tag }) : said.everybodyIn({ tag });
  },
  sentence: (audience: string, condition: Condition): string =>
    commas([audience, messageTexts.condition(condition)].filter(Boolean)),
  letter: (name: string, author: string, text: string, why: string) =>
    said.letterOf({ name, author, text: text.trim(), why }),
});
