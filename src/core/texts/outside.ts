import * as en from './compiled/en/outside';
import { extend } from './extend';
/** Words about outside calendars. */
export const outsideTexts = extend(en.outsideTexts, {
  // prettier-ignore
  hit: (tag: string, meetings: number, due: number, taken: number) =>
    `${tag}: ${[
      meetings > 0 ? (meetings === 1 ? '1 class goes' : `${meetings} classes go`) : '',
      due > 0 ? (due === 1 ? '1 due date falls on one' : `${due} due dates fall on one`) : '',
      taken > 0 ? (taken === 1 ? '1 taken time falls on one' : `${taken} taken times fall on one`) : '',
    ]
      .filter(Boolean)
      .join(', ')}.`,
  addNow: (name: string) => `Add ${name || 'the calendar'}`,
  news: {
    changed: (title: string, was: string, now: string) =>
      was === now ? `Changed: ${title}, ${now}` : `Moved: ${title}, ${was} → ${now}`,
  },
  closingRule: (words: readonly string[]) =>
    `Closures: titles with ${words.map((word) => `“${word}”`).join(', ')}`,
});
