import { XMLParser, XMLValidator } from 'fast-xml-parser';

export type XmlRefusal = 'encoding' | 'doctype' | 'notXml';
export type XmlNode = Readonly<{ [name: string]: unknown }>;

/** The largest XML file of a package that is read, in bytes. */
export const LARGEST_XML = 20 * 1024 * 1024;
/** How deep elements may lie in one another. */
const DEEPEST = 60;

/** XML as text: UTF-8, or UTF-16 with its mark (XML 1.0, section 4.3.3). Other encodings are refused, not guessed. */
function textOf(bytes: Uint8Array): string | undefined {
  const [a, b] = bytes;
  const encoding = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    const declared = /^\s*<\?xml[^>]*encoding\s*=\s*["']([^"']+)["']/i.exec(text)?.[1]?.toLowerCase();
    return !declared ||
      declared === encoding ||
      (declared === 'utf-16' && encoding !== 'utf-8') ||
      declared === 'us-ascii'
      ? text
      : undefined;
  } catch {
    return undefined;
  }
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  removeNSPrefix: true,
  parseTagValue: false,
  parseAttributeValue: false,
  trimValues: true,
  isArray: (name) => name === 'item' || name === 'resource' || name === 'file' || name === 'organization',
});

/**
 * Reads XML without entities of its own and without a document type: both are ways to make a small file large, or to reach
 * others. Names come without their namespace's prefix, attributes with `@`, text as `#text`.
 */
export function decodeXml(bytes: Uint8Array): Readonly<{ root: XmlNode } | { refused: XmlRefusal }> {
  const text = textOf(bytes);
  if (text === undefined) return { refused: 'encoding' };
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) return { refused: 'doctype' };
  if (tooDeep(text) || XMLValidator.validate(text) !== true) return { refused: 'notXml' };
  return { root: parser.parse(text) as XmlNode };
}

function tooDeep(text: string): boolean {
  let depth = 0;
  for (const [, closing, , selfClosed] of text.matchAll(
    /<(\/)?([A-Za-z_][^\s<>/]*)(?:[^<>"']|"[^"]*"|'[^']*')*?(\/)?>/g,
  )) {
    if (closing) depth -= 1;
    else if (!selfClosed) depth += 1;
    if (depth > DEEPEST) return true;
  }
  return false;
}

export const child = (node: unknown, name: string): unknown =>
  typeof node === 'object' && node !== null ? (node as XmlNode)[name] : undefined;

/** Children of a name, however many. */
export function children(node: unknown, name: string): readonly unknown[] {
  const found = child(node, name);
  return found === undefined ? [] : Array.isArray(found) ? found : [found];
}

/** The text of an element, or an attribute. */
export function textIn(node: unknown): string {
  if (typeof node === 'string') return node;
  const inner = child(node, '#text');
  return typeof inner === 'string' ? inner : '';
}
