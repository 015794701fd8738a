import { scheduleTexts as say } from '../texts/schedule';
import { CLOSED_WORDS, DUE, INTRODUCED } from './lineKind';

/** Words around what was taken, without the connectors that hang on it. */
export function clean(rest: string): string {
  const parts = rest.replace(/\(\s*\u{E000}*\s*\)|\[\s*\u{E000}*\s*\]/gu, '\u{E000}').split(/\u{E000}+/u);
  return parts
    .map((part, i) =>
      part.replace(i > 0 ? /^[\s,;:.!]*(?:(?:and|for|on|of|from|is|are)\b)?[\s,;:.!]*/i : /^\s+/, ''),
    )
    .map((part, i) =>
      part.replace(
        i < parts.length - 1
          ? /(?:^|[\s,;:(]+)(?:(?:and|for|on|at|in|by|of|from|the|is|are|until)[\s,;:.]*)*$/i
          : /\s+$/,
        '',
      ),
    ) // prettier-ignore
    .map((part) => part.trim())
    .filter(Boolean)
    .join(' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;:.)])/g, '$1')
    .replace(/^[\s,;:.!|/)–—-]+|[\s,;:.!|/(–—-]+$/g, '')
    .trim();
}

export const titleOf = (rest: string): string =>
  clean(
    clean(rest)
      .replace(new RegExp(DUE.source, 'gi'), '\u{E000}')
      .replace(/\(\s*\u{E000}\s*\)/gu, '\u{E000}'),
  );

export function closureTitle(rest: string): string {
  const said = rest.replace(CLOSED_WORDS, '\u{E000}').replace(INTRODUCED, '\u{E000}');
  const title = clean(clean(said).replace(/^\(([^()]+)\)$/, '$1'));
  return /^(?:the|a|is|are)?$/i.test(title) ? say.noClasses : title;
}
