import { safeUri } from '../icalendar/text';
import type { MaterialKind } from '../materials/material';
import { child, children, decodeXml, textIn } from './decodeXml';
import type { XmlNode, XmlRefusal } from './decodeXml';
import { escapeHtml } from '../richText/escapeHtml';

/**
 * Reads the outline of a Common Cartridge (1EdTech, versions 1.1 to 1.3): the organization's items and the resources they
 * lead to. Written from knowledge of the published structure; unverified against the text of the specification.
 */

export type CartridgeKind = Exclude<MaterialKind, 'recording'>;
export type CartridgeItem = Readonly<{
  /** The item's identifier in the package. */
  id: string;
  /** The unit it lies in. */
  parent?: string;
  kind: CartridgeKind;
  title: string;
  /** Where a web link leads. */
  url: string;
  /** HTML, not yet sanitised. */
  text: string;
  /** A file of the package. */
  file?: string;
  /** Its address, or its path in the package: what it is known by where identifiers change. */
  path: string;
}>;

export type CartridgeRefusal = XmlRefusal | 'noItems' | 'tooManyItems' | 'tooDeep';
type Resource = Readonly<{ type: string; href: string }>;
type Entry = Readonly<{ id: string; parent?: string; title: string; resource?: Resource }>;
export type Manifest = Readonly<{ title: string; entries: readonly Entry[] }>;

const MOST_ITEMS = 5000;
const DEEPEST = 20;

/** Which kind of material a type of resource becomes; the versions differ in the numbers of the types. */
function kindOf({ type, href }: Resource): CartridgeKind | 'skipped' {
  if (/^imswl_/.test(type)) return 'webLink';
  if (/^imsdt_/.test(type)) return 'topic';
  if (/^assignment_/.test(type)) return 'assignment';
  if (/^imsqti_.*assessment/.test(type)) return 'test';
  if (type === 'webcontent' || /learning-application-resource$/.test(type))
    return /\.x?html?$/i.test(href) ? 'page' : 'webContent';
  return 'skipped';
}

const decodedPath = (href: string): string => {
  try {
    return decodeURIComponent(href.split(/[?#]/, 1)[0]!);
  } catch {
    return href;
  }
};

/** Reads `imsmanifest.xml`: items from top to bottom, each with the resource it leads to. */
export function readManifest(bytes: Uint8Array): Manifest | Readonly<{ refused: CartridgeRefusal }> {
  const read = decodeXml(bytes);
  if ('refused' in read) return read;
  const manifest = child(read.root, 'manifest');
  const resources = new Map<string, Resource>();
  for (const resource of children(child(manifest, 'resources'), 'resource')) {
    const [file] = children(resource, 'file');
    const href = textIn(child(resource, '@href')) || textIn(child(file, '@href'));
    resources.set(textIn(child(resource, '@identifier')), {
      type: textIn(child(resource, '@type')).toLowerCase(),
      href: decodedPath(href),
    });
  }
  const entries: Entry[] = [];
  let deep = false;
  const walk = (items: readonly unknown[], parent: string | undefined, depth: number): void => {
    if (depth > DEEPEST) return void (deep = true);
    for (const item of items) {
      if (entries.length > MOST_ITEMS) return;
      const id = textIn(child(item, '@identifier'));
      const title = textIn(child(item, 'title')).replace(/\s+/g, ' ').slice(0, 300);
      const inner = children(item, 'item');
      const resource = resources.get(textIn(child(item, '@identifierref')));
      // The organization's root is an item without a title, which is no unit.
      if (!title && !resource) walk(inner, parent, depth);
      else {
        entries.push({
          id,
          ...(parent ? { parent } : {}),
          title: title || resource!.href,
          ...(resource ? { resource } : {}),
        });
        walk(inner, resource ? parent : id, depth + 1);
      }
    }
  };
  const [organization] = children(child(manifest, 'organizations'), 'organization');
  walk(children(organization, 'item'), undefined, 0);
  if (deep) return { refused: 'tooDeep' };
  if (entries.length > MOST_ITEMS) return { refused: 'tooManyItems' };
  if (entries.length === 0) return { refused: 'noItems' };
  return { title: titleOf(manifest), entries };
}

function titleOf(manifest: unknown): string {
  const general = child(child(child(manifest, 'metadata'), 'lom'), 'general');
  return textIn(child(child(general, 'title'), 'string')).slice(0, 300);
}

/** The files of the package whose text is needed to know what an item is. */
export const textsNeeded = ({ entries }: Manifest): string[] => [
  ...new Set(
    entries.flatMap(({ resource }) =>
      resource && ['webLink', 'topic', 'assignment', 'page'].includes(kindOf(resource))
        ? [resource.href]
        : [],
    ),
  ),
];

export type CartridgeReading = Readonly<{
  title: string;
  items: readonly CartridgeItem[];
  /** What could not be brought in, with the reason. */
  skipped: readonly Readonly<{ title: string; reason: SkipReason }>[];
}>;
export type SkipReason = 'type' | 'missing' | 'unreadable' | 'address';

/** Makes materials of a manifest's items; `texts` holds the files that `textsNeeded` names, where the package has them. */
export function readCartridge(
  manifest: Manifest,
  texts: ReadonlyMap<string, Uint8Array>,
  names: ReadonlySet<string>,
): CartridgeReading {
  const items: CartridgeItem[] = [];
  const skipped: { title: string; reason: SkipReason }[] = [];
  for (const entry of manifest.entries) {
    const read = itemFrom(entry, texts, names);
    if ('reason' in read) skipped.push({ title: entry.title, reason: read.reason });
    else items.push(read);
  }
  return { title: manifest.title, items, skipped };
}

function itemFrom(
  { id, parent, title, resource }: Entry,
  texts: ReadonlyMap<string, Uint8Array>,
  names: ReadonlySet<string>,
): CartridgeItem | Readonly<{ reason: SkipReason }> {
  const common = { id, ...(parent ? { parent } : {}), title, url: '', text: '' };
  if (!resource) return { ...common, kind: 'unit', path: '' };
  const { href } = resource;
  const kind = kindOf(resource);
  if (kind === 'skipped') return { reason: 'type' };
  if (kind === 'test') return { ...common, kind, path: href };
  if (!names.has(href)) return { reason: 'missing' };
  if (kind === 'webContent') return { ...common, kind, file: href, path: href };
  const bytes = texts.get(href);
  if (!bytes) return { reason: 'unreadable' };
  if (kind === 'page') return pageFrom(common, bytes, href);
  const read = decodeXml(bytes);
  if ('refused' in read) return { reason: 'unreadable' };
  const body = Object.entries(read.root).find(([name]) => !name.startsWith('?'))?.[1] as XmlNode | undefined;
  if (kind === 'webLink') {
    const url = textIn(child(child(body, 'url'), '@href'));
    if (!/^https?:/i.test(url) || safeUri(url) === undefined || !URL.canParse(url))
      return { reason: 'address' };
    return { ...common, kind, url, path: url };
  }
  const text = child(body, 'text') ?? child(body, 'instructor_text');
  return { ...common, kind, text: asHtml(textIn(text), textIn(child(text, '@texttype'))), path: href };
}

function pageFrom(common: Omit<CartridgeItem, 'kind' | 'path'>, bytes: Uint8Array, href: string) {
  try {
    const html = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return { ...common, kind: 'page' as const, text: bodyOf(html).slice(0, 200_000), path: href };
  } catch {
    return { reason: 'unreadable' as const };
  }
}

/** What stands between the tags of the body, found by looking once for each: a page of nothing but beginnings is as quick. */
function bodyOf(html: string): string {
  const lower = html.toLowerCase();
  const opens = lower.indexOf('<body');
  const begins = opens < 0 ? -1 : lower.indexOf('>', opens);
  if (begins < 0) return html;
  const ends = lower.indexOf('</body', begins);
  return html.slice(begins + 1, ends < 0 ? undefined : ends);
}

/** Plain text becomes paragraphs; HTML stays, to be sanitised. */
function asHtml(text: string, type: string): string {
  if (/html/i.test(type)) return text;
  return escapeHtml(text)
    .split('\n')
    .map((line) => line.trim())
    .join('\n')
    .split('\n\n')
    .filter((part) => part.trim() !== '')
    .map((part) => `<p>${part.trim()}</p>`)
    .join('');
}
