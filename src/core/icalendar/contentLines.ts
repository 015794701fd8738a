import { readingTexts } from '../texts/reading';

/** `NAME;PARAM=value:VALUE`, unfolded; names in capitals, parameter values decoded (RFC 6868), `line` counted from 1. */
export type ContentLine = Readonly<{
  name: string;
  params: ReadonlyMap<string, string>;
  value: string;
  line: number;
}>;

/** Something in a file that was not understood, or understood otherwise than it was written. */
export type Trouble = Readonly<{
  line: number;
  /** Of which component: its title, where it has one. */
  title?: string;
  why: string;
}>;

const LONGEST_LINE = 64 * 1024;
const [LF, CR, SPACE, TAB] = [10, 13, 32, 9];

const utf8 = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true });
const western = new TextDecoder('windows-1252');

type Raw = { line: number; parts: Uint8Array[]; length: number };

/** Lines of octets, put together again before they are decoded: a fold may split a character (RFC 5545 section 3.1). */
function* unfolded(octets: Uint8Array): Generator<Raw> {
  const begin = octets[0] === 0xef && octets[1] === 0xbb && octets[2] === 0xbf ? 3 : 0;
  let open: Raw | undefined;
  let line = 0;
  for (let at = begin; at < octets.length;) {
    let end = at;
    while (end < octets.length && octets[end] !== LF && octets[end] !== CR) end++;
    line++;
    const folded = octets[at] === SPACE || octets[at] === TAB;
    const part = octets.subarray(folded ? at + 1 : at, end);
    if (folded && open) {
      open.parts.push(part);
      open.length += part.length;
    } else {
      if (open) yield open;
      open = { line, parts: [part], length: part.length };
    }
    at = octets[end] === CR && octets[end + 1] === LF ? end + 2 : end + 1;
  }
  if (open) yield open;
}

function joined({ parts, length }: Raw): Uint8Array {
  if (parts.length === 1) return parts[0]!;
  const whole = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

const decodeParameter = (text: string) =>
  text.replace(/\^(n|\^|')/g, (_, c: string) => (c === 'n' ? '\n' : c === "'" ? '"' : '^'));

/** Splits at the first colon outside quotes; undefined for what is no content line. */
function parse(text: string, line: number): ContentLine | undefined {
  const nameEnd = /[;:]/.exec(text)?.index ?? -1;
  const name = text.slice(0, nameEnd).trim().toUpperCase();
  if (nameEnd < 1 || !/^[A-Z0-9-]+$/.test(name)) return undefined;
  const params = new Map<string, string>();
  let at = nameEnd;
  while (text[at] === ';') {
    let end = at + 1;
    let quoted = false;
    while (end < text.length && (quoted || (text[end] !== ';' && text[end] !== ':'))) {
      if (text[end] === '"') quoted = !quoted;
      end++;
    }
    const [key = '', ...rest] = text.slice(at + 1, end).split('=');
    params.set(key.trim().toUpperCase(), decodeParameter(rest.join('=').replace(/"/g, '')));
    at = end;
  }
  return text[at] === ':' ? { name, params, value: text.slice(at + 1), line } : undefined;
}

/**
 * The content lines of a calendar file as files are found: a byte order mark, bare line feeds, small letters and other
 * encodings than UTF-8 are understood. What is no content line is left out, and named.
 */
export function contentLines(octets: Uint8Array): { lines: ContentLine[]; troubles: Trouble[] } {
  const lines: ContentLine[] = [];
  const troubles: Trouble[] = [];
  for (const raw of unfolded(octets)) {
    if (raw.length === 0) continue;
    if (raw.length > LONGEST_LINE) {
      troubles.push({ line: raw.line, why: readingTexts.lineTooLong });
      continue;
    }
    const whole = joined(raw);
    let text: string;
    try {
      text = utf8.decode(whole);
    } catch {
      text = western.decode(whole);
      troubles.push({ line: raw.line, why: readingTexts.notUtf8 });
    }
    const parsed = parse(text, raw.line);
    if (parsed) lines.push(parsed);
    else if (text.trim() !== '') troubles.push({ line: raw.line, why: readingTexts.noContentLine });
  }
  return { lines, troubles };
}
