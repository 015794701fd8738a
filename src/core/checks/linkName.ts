import { plainText } from '../richText/plainText';
import { accessTexts } from '../texts/access';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import type { ReadThing } from './readThings';
import { readThings } from './readThings';

/** What says nothing to whoever hears a page's links one after another (WCAG 2.2, success criterion 2.4.4). */
const SAYS_NOTHING =
  /^(?:(?:click |press )?here|this(?: link| page)?|(?:the )?link|(?:read )?more|open)[.!]?$/i;
const AN_ADDRESS = /^(?:https?:\/\/|www\.)\S+$/i;

const isPoor = (words: string) => SAYS_NOTHING.test(words) || AN_ADDRESS.test(words);

/** The words of the links in formatted text. */
const linkWords = (html: string): string[] =>
  [...html.matchAll(/<a [^>]*>(.*?)<\/a>/gs)].map(([, words = '']) => plainText(words));

function poorNames({ description, links }: ReadThing): string[] {
  const shown = links.map(({ label, url }) => label.trim() || url);
  return [...linkWords(description), ...shown].filter(isPoor);
}

/** A link that is named "here", or by its address. */
export const linkName: Check = {
  id: 'linkName',
  find: (input) =>
    readThings(input).flatMap((thing) => {
      const [name] = poorNames(thing);
      return name === undefined
        ? []
        : [{ check: 'linkName', about: thing.about, why: accessTexts.linkName({ name }), remedy: OPEN(checkTexts.mendText) }];
    }),
}; // prettier-ignore
