import sanitizeHtml from 'sanitize-html';

/** What formatted text may hold: paragraphs, lists, emphasis, small headings, links. Nothing that runs or loads. */
const ALLOWED: sanitizeHtml.IOptions = {
  allowedTags: [
    'p',
    'br',
    'strong',
    'em',
    'u',
    's',
    'ul',
    'ol',
    'li',
    'h3',
    'h4',
    'blockquote',
    'code',
    'pre',
    'a',
  ],
  allowedAttributes: { a: ['href', 'target', 'rel'] },
  allowedSchemes: ['http', 'https', 'mailto', 'tel'],
  allowProtocolRelative: false,
  transformTags: {
    b: 'strong',
    i: 'em',
    h1: 'h3',
    h2: 'h3',
    a: sanitizeHtml.simpleTransform('a', { target: '_blank', rel: 'noopener' }),
  },
};

/** Formatted text within the allow list: used when it is written and again when it is shown. */
export function sanitize(html: string): string {
  const clean = sanitizeHtml(html, ALLOWED).trim();
  return clean === '<p></p>' ? '' : clean;
}

/** Formatted text as plain text that reads well: a link is its words and its address. */
export function plainText(html: string): string {
  const withAddresses = html.replace(
    /<a\b[^>]*href="([^"]*)"[^>]*>(.*?)<\/a>/gs,
    (_, href: string, words: string) => (strip(words) === href ? href : `${words} (${href})`),
  );
  const broken = withAddresses
    .replace(/<li>/g, '<li>- ')
    .replace(/<br\s*\/?>|<\/(p|li|h3|h4|blockquote|pre)>/g, (tag) => `${tag}\n`);
  return strip(broken)
    .split('\n')
    .map((line) => line.trim())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  '#39': "'",
  nbsp: ' ',
};

const strip = (html: string): string =>
  sanitizeHtml(html, { allowedTags: [], allowedAttributes: {} }).replace(
    /&(amp|lt|gt|quot|#39|nbsp);/g,
    (_, name: string) => ENTITIES[name]!,
  );
