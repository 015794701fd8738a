import type { Ask, Piece } from './quickEntry';

export type Span = Readonly<{ from: number; to: number }>;

/** A line whose parts are taken one after the other; what was taken is blank to those who look later. */
export type LineScanner = Readonly<{
  line: string;
  /** The line with what was taken blanked out, so that positions stay. */
  rest: () => string;
  /** The first match in what is left. */
  find: (pattern: RegExp) => RegExpExecArray | undefined;
  /** A match that begins right here. */
  at: (position: number, pattern: RegExp) => RegExpExecArray | undefined;
  take: (span: Span, name: string, words: string) => void;
  /** Asks about a part; each choice is what would have to stand in its place. */
  ask: (span: Span, question: string, choices: readonly Readonly<{ label: string; text: string }>[]) => void;
  pieces: () => readonly Piece[];
  asks: () => readonly Ask[];
}>;

// Private use: no letter, no space, so that no word boundary arises where something was taken.
const BLANK = '\u{E000}';

const MOST_KEPT = 500;
const kept = new Map<string, RegExp>();

/** A pattern without regard to case, made once: long texts are looked through by the same ones line after line. */
function anywhere({ source }: RegExp): RegExp {
  const known = kept.get(source);
  if (known) return known;
  if (kept.size >= MOST_KEPT) kept.clear();
  const made = new RegExp(source, 'iu');
  kept.set(source, made);
  return made;
}

export function lineScanner(line: string): LineScanner {
  let rest = line;
  const pieces: Piece[] = [];
  const asks: Ask[] = [];
  const blank = ({ from, to }: Span) => {
    rest = rest.slice(0, from) + BLANK.repeat(to - from) + rest.slice(to);
  };
  return {
    line,
    rest: () => rest,
    find: (pattern) => anywhere(pattern).exec(rest) ?? undefined,
    at: (position, pattern) => {
      const sticky = new RegExp(pattern.source, 'iuy');
      sticky.lastIndex = position;
      return sticky.exec(rest) ?? undefined;
    },
    take: (span, name, words) => {
      blank(span);
      pieces.push({ ...span, name, words });
    },
    ask: (span, question, choices) => {
      blank(span);
      asks.push({
        question,
        choices: choices.map(({ label, text }) => ({
          label,
          line: `${line.slice(0, span.from)}${text}${line.slice(span.to)}`,
        })),
      });
    },
    pieces: () => [...pieces].sort((a, b) => a.from - b.from),
    asks: () => asks,
  };
}

/** What is left of a line once everything was taken: words joined, without the connectors and commas around the gaps. */
export function leftover(rest: string): string {
  return rest
    .split(new RegExp(`[${BLANK}]+`, 'u'))
    .map((part) => part.replace(/^[\s,;:.–-]+|[\s,;:.–-]+$/g, ''))
    .map((part) =>
      part.replace(/^(?:and|for|on|of|from)(?:\s+|$)|(?:^|\s+)(?:and|for|on|at|in|by|of|from|the|is)$/gi, ''),
    )
    .filter(Boolean)
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();
}
