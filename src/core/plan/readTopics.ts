import { escapeHtml } from '../richText/escapeHtml';
import Papa from 'papaparse';
import { safeUri } from '../icalendar/text';
import type { Link } from '../entries/entry';

export type Topic = Readonly<{ title: string; description: string; links: readonly Link[] }>;

const HEADS = /^(topic|title|class|what|subject|theme)$/i;
const MOST = 500;

/**
 * Reads a pasted list or table of topics: one class a line; the first column is the topic, further ones are links (where
 * they are addresses) or text. A first line with the names of columns is left out. An empty line is a class without a
 * plan.
 */
export function readTopics(text: string): readonly (Topic | undefined)[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\s+$/, ''), {
    delimiter: text.includes('\t') ? '\t' : text.includes(';') && !text.includes(',') ? ';' : ',',
  });
  const rows = data.slice(0, MOST).map((cells) => cells.map((cell) => cell.trim()));
  const table = rows.some((cells) => cells.filter(Boolean).length > 1);
  const body = table && HEADS.test(rows[0]?.[0] ?? '') ? rows.slice(1) : rows;
  // A list without a table's columns is lines, commas and all: "Lines, offsets" is one topic.
  const isList = !table || !body.some((cells) => cells.slice(1).some((cell) => safeUri(cell)));
  if (isList && !text.includes('\t'))
    return text
      .replace(/^\uFEFF/, '')
      .trimEnd()
      .split(/\r?\n/)
      .slice(0, MOST)
      .map((line) => line.replace(/^\s*(?:[-*•]|\d{1,3}[.)])\s+/, '').trim())
      .map((title) => (title ? { title: title.slice(0, 200), description: '', links: [] } : undefined));
  return body.map(([title = '', ...others]) => {
    if (!title) return undefined;
    const links = others.filter((cell) => /^https?:/i.test(cell) && safeUri(cell));
    const words = others.filter((cell) => cell && !links.includes(cell));
    return {
      title: title.slice(0, 200),
      description: words.map((line) => `<p>${escapeHtml(line)}</p>`).join(''),
      links: links.map((url) => ({ url, label: '', staffOnly: false })),
    };
  });
}
