const PLAIN = /^[^\\;,\u0000-\u001f\u007f]*$/;

/** The value of a TEXT property: RFC 5545 section 3.3.11. Control characters other than tab and line breaks are dropped. */
export const escapeText = (text: string): string =>
  PLAIN.test(text)
    ? text
    : text
        .replace(/\r\n?/g, '\n')
        .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '')
        .replace(/[\\;,]/g, (c) => `\\${c}`)
        .replace(/\n/g, '\\n');

const SCHEMES = ['http:', 'https:', 'webcal:', 'mailto:', 'tel:'];

/**
 * A link fit to be published, or undefined: http, https, webcal, mailto and tel only, without control characters
 * (a line break in a URI would begin a property of its own).
 */
export function safeUri(text: string): string | undefined {
  if (/[\u0000-\u0020\u007f]/.test(text)) return undefined;
  const scheme = /^[a-z][a-z0-9+.-]*:/i.exec(text)?.[0].toLowerCase();
  return scheme && SCHEMES.includes(scheme) ? text : undefined;
}

/** A parameter's value in quotes: RFC 6868 writes `^` as `^^`, a line break as `^n`, a quote as `^'`. */
export const parameterValue = (text: string): string =>
  `"${text
    .replace(/\^/g, '^^')
    .replace(/\r\n?|\n/g, '^n')
    .replace(/"/g, "^'")
    .replace(/[\u0000-\u001f\u007f]/g, '')}"`;

/** The reverse of `escapeText`: what a TEXT value says, without control characters other than tab and line breaks. */
export const unescapeText = (value: string): string =>
  value
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '')
    .replace(/\\([\\;,nN:"])/g, (_, c: string) => (c === 'n' || c === 'N' ? '\n' : c));
