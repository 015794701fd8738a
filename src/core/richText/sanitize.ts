import sanitizeHtml from 'sanitize-html';

/** What formatted text may hold: paragraphs, lists, emphasis, small headings, tables, links. Nothing that runs or loads. */
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
    'table',
    'thead',
    'tbody',
    'tr',
    'th',
    'td',
  ],
  allowedAttributes: {
    a: ['href', 'target', 'rel'],
    th: ['colspan', 'rowspan', 'scope'],
    td: ['colspan', 'rowspan'],
  },
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
