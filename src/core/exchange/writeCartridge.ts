import { XMLBuilder } from 'fast-xml-parser';
import { escapeHtml } from '../richText/escapeHtml';
import type { CartridgeItem, CartridgeKind } from './readCartridge';

/**
 * Writes an outline as a Common Cartridge 1.3 (1EdTech): what `readCartridge` reads. Written from knowledge of the published
 * structure; unverified against the text of the specification.
 */

/** What is written of an item; its path in the package follows from it. */
export type WrittenItem = Omit<CartridgeItem, 'path' | 'kind'> &
  Readonly<{ kind: Exclude<CartridgeKind, 'test'> }>;

const NAMESPACES = {
  manifest: 'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1',
  lom: 'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest',
  webLink: 'http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3',
  topic: 'http://www.imsglobal.org/xsd/imsccv1p3/imsdt_v1p3',
  assignment: 'http://www.imsglobal.org/xsd/imscc_extensions/assignment',
} as const;

const TYPES: Readonly<Record<Exclude<WrittenItem['kind'], 'unit'>, string>> = {
  page: 'webcontent',
  webContent: 'webcontent',
  webLink: 'imswl_xmlv1p3',
  topic: 'imsdt_xmlv1p3',
  assignment: 'assignment_xmlv1p0',
};

const builder = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  indentBy: ' ',
});

/** Characters that XML 1.0 (section 2.2) has no way to write. */
const clean = (text: string): string =>
  text.replace(/[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu, '');
const xml = (content: object): string =>
  builder.build({ '?xml': { '@version': '1.0', '@encoding': 'UTF-8' }, ...content });

/** Identifiers of XML begin with a letter. */
const itemId = (id: string) => `I_${id}`;
const resourceId = (id: string) => `R_${id}`;

function pathOf({ id, kind, file }: WrittenItem): string {
  if (file !== undefined) return file;
  return kind === 'page' ? `pages/${id}.html` : `${kind === 'webLink' ? 'links' : 'asked'}/${id}.xml`;
}

/** What the file of an item holds; undefined for units, and for files that the package has already. */
function contentOf({ id, kind, title, url, text }: WrittenItem): string | undefined {
  const asked = { title: clean(title), text: { '@texttype': 'text/html', '#text': clean(text) } };
  switch (kind) {
    case 'page':
      return `<!doctype html><html><head><meta charset="utf-8"><title>${escapeHtml(title)}</title></head><body>${text}</body></html>`;
    case 'webLink':
      return xml({ webLink: { '@xmlns': NAMESPACES.webLink, title: clean(title), url: { '@href': url } } });
    case 'topic':
      return xml({ topic: { '@xmlns': NAMESPACES.topic, ...asked } });
    case 'assignment':
      return xml({
        assignment: { '@xmlns': NAMESPACES.assignment, '@identifier': resourceId(id), ...asked },
      });
    case 'unit':
    case 'webContent':
      return undefined;
    default:
      return kind satisfies never;
  }
}

type ItemNode = { '@identifier': string; '@identifierref'?: string; title: string; item: ItemNode[] };

/** The items as they lie in one another; each comes after the unit that it lies in. */
function treeOf(items: readonly WrittenItem[]): ItemNode[] {
  const top: ItemNode[] = [];
  const units = new Map<string, ItemNode>();
  for (const { id, kind, title, parent } of items) {
    const node: ItemNode = {
      '@identifier': itemId(id),
      ...(kind === 'unit' ? {} : { '@identifierref': resourceId(id) }),
      title: clean(title),
      item: [],
    };
    if (kind === 'unit') units.set(id, node);
    (parent === undefined ? top : (units.get(parent)?.item ?? top)).push(node);
  }
  return top;
}

/** The files of a package, by their paths, but for those that its items name: these come from elsewhere. */
export function writeCartridge(title: string, items: readonly WrittenItem[]): ReadonlyMap<string, string> {
  const files = new Map<string, string>();
  const resources = items.flatMap((item) => {
    if (item.kind === 'unit') return [];
    const href = encodeURI(pathOf(item));
    return [{ '@identifier': resourceId(item.id), '@type': TYPES[item.kind], '@href': href, file: { '@href': href } }]; // prettier-ignore
  });
  files.set(
    'imsmanifest.xml',
    xml({
      manifest: {
        '@identifier': 'pembit-outline',
        '@xmlns': NAMESPACES.manifest,
        '@xmlns:lomimscc': NAMESPACES.lom,
        metadata: {
          schema: 'IMS Common Cartridge',
          schemaversion: '1.3.0',
          'lomimscc:lom': { 'lomimscc:general': { 'lomimscc:title': { 'lomimscc:string': clean(title) } } },
        },
        organizations: {
          organization: {
            '@identifier': 'outline',
            '@structure': 'rooted-hierarchy',
            item: { '@identifier': 'root', item: treeOf(items) },
          },
        },
        resources: { resource: resources },
      },
    }),
  );
  for (const item of items) {
    const content = item.file === undefined ? contentOf(item) : undefined;
    if (content !== undefined) files.set(pathOf(item), content);
  }
  return files;
}
