/** Marked HTML: what is in it is escaped already. */
export type Html = Readonly<{ html: string }>;

const ESCAPES: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escape = (text: string) => text.replace(/[&<>"']/g, (c) => ESCAPES[c]!);

type Part = string | number | Html | readonly Html[] | undefined;

const partOf = (part: Part): string => {
  if (part === undefined) return '';
  if (typeof part === 'string' || typeof part === 'number') return escape(String(part));
  return 'html' in part ? part.html : part.map((p) => p.html).join('');
};

/** A template in which every text put in is escaped, for text and for quoted attributes alike. */
export const html = (strings: TemplateStringsArray, ...parts: readonly Part[]): Html => ({
  html: strings.reduce((whole, piece, i) => whole + partOf(parts[i - 1]) + piece),
});
