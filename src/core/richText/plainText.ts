import { Parser } from 'htmlparser2';

const BLOCKS = new Set(['p', 'li', 'h3', 'h4', 'blockquote', 'pre', 'tr']);
const CELLS = new Set(['td', 'th']);
const UNREAD = new Set(['script', 'style']);

/** Words in one paragraph, which most texts are: they need no parser. */
const ONE_PARAGRAPH = /^<p>([^<&\n\u00a0]*)<\/p>$/;

/**
 * Formatted text as plain text that reads well: a block on a line of its own, a link as its words and its address, the row of
 * a table as one line.
 */
export function plainText(html: string): string {
  const words = html === '' ? '' : ONE_PARAGRAPH.exec(html)?.[1];
  if (words !== undefined) return words.trim();
  let text = '';
  let link: { address: string; from: number } | undefined;
  let unread = 0;
  // Of the row that is read: how many cells it has had, and whether one is open.
  let cells = 0;
  let inCell = false;
  const parser = new Parser({
    onopentag: (tag, { href }) => {
      if (tag === 'tr') cells = 0;
      else if (CELLS.has(tag)) {
        if (cells++ > 0) text = `${text.replace(/ +$/, '')} | `;
        inCell = true;
      } else if (tag === 'li') text += '- ';
      else if (tag === 'br') text += '\n';
      else if (tag === 'a' && href) link = { address: href, from: text.length };
      else if (UNREAD.has(tag)) unread++;
    },
    ontext: (part) => {
      if (unread === 0) text += part;
    },
    onclosetag: (tag) => {
      if (CELLS.has(tag)) inCell = false;
      else if (BLOCKS.has(tag)) text += inCell ? ' ' : '\n';
      else if (UNREAD.has(tag)) unread--;
      else if (tag === 'a' && link) {
        if (text.slice(link.from) !== link.address) text += ` (${link.address})`;
        link = undefined;
      }
    },
  });
  parser.end(html);
  return text
    .replaceAll('\u00a0', ' ')
    .split('\n')
    .map((line) => line.trim())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}
