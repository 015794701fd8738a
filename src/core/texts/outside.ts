import * as en from './compiled/en/outside';
import { extend } from './extend';

const said = en.outsideTexts;

/** Words about outside calendars. */
export const outsideTexts = extend(en.outsideTexts, {
  hit: (tag: string, meetings: number, due: number, taken: number) =>
    said.hitIn({
      tag,
      what: [
        ...(meetings > 0 ? [said.hitClasses({ n: meetings })] : []),
        ...(due > 0 ? [said.hitDue({ n: due })] : []),
        ...(taken > 0 ? [said.hitTaken({ n: taken })] : []),
      ],
    }),
  news: {
    changed: (title: string, was: string, now: string) =>
      was === now ? said.changedNews({ title, now }) : said.movedNews({ title, was, now }),
  },
  closingRule: (words: readonly string[]) =>
    said.closingRule({ words: words.map((word) => said.quoted({ word })) }),
});
