import { strToU8, zipSync } from 'fflate';

/**
 * Writes Common Cartridge packages to the structure that 1EdTech publishes (IMS Common Cartridge 1.1 to 1.3: a zip with
 * imsmanifest.xml, an organization of items, resources by type). Written from knowledge of it, unverified against its text.
 */

export type Version = '1.1' | '1.2' | '1.3';
export type PackageItem = Readonly<{ id: string; title: string; items?: readonly PackageItem[] }> &
  (
    | Readonly<{ kind: 'unit' }>
    | Readonly<{ kind: 'webLink'; url: string }>
    | Readonly<{ kind: 'file'; path: string; bytes: Uint8Array }>
    | Readonly<{ kind: 'page'; path: string; html: string }>
    | Readonly<{ kind: 'topic' | 'assignment'; html: string }>
    | Readonly<{ kind: 'test' }>
    | Readonly<{ kind: 'tool' }>
  );

const NUMBERS = { '1.1': ['v1p1', '1p1'], '1.2': ['v1p2', '1p2'], '1.3': ['v1p3', '1p3'] } as const;
const escape = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

type Made = Readonly<{ type: string; href: string; content: Uint8Array }>;

function resourceOf(item: PackageItem, version: Version): Made | undefined {
  const [v] = NUMBERS[version];
  const xml = (name: string, inner: string) =>
    strToU8(`<?xml version="1.0" encoding="UTF-8"?>\n<${name}>${inner}</${name}>`);
  const file = `${item.id}/${item.id}.xml`;
  switch (item.kind) {
    case 'unit':
      return undefined;
    case 'webLink':
      return {
        type: `imswl_xml${v}`,
        href: file,
        content: xml(
          'webLink',
          `<title>${escape(item.title)}</title><url href="${escape(item.url)}" target="_blank"/>`,
        ),
      };
    case 'file':
      return { type: 'webcontent', href: item.path, content: item.bytes };
    case 'page':
      return {
        type: 'webcontent',
        href: item.path,
        content: strToU8(`<html><head><title>x</title></head><body>${item.html}</body></html>`),
      };
    case 'topic':
      return {
        type: `imsdt_xml${v}`,
        href: file,
        content: xml(
          'topic',
          `<title>${escape(item.title)}</title><text texttype="text/html">${escape(item.html)}</text>`,
        ),
      };
    case 'assignment':
      return {
        type: 'assignment_xmlv1p0',
        href: file,
        content: xml(
          'assignment',
          `<title>${escape(item.title)}</title><text texttype="text/html">${escape(item.html)}</text>`,
        ),
      };
    case 'test':
      return {
        type: `imsqti_xmlv1p2/imscc_xml${v}/assessment`,
        href: file,
        content: xml('questestinterop', ''),
      };
    case 'tool':
      return { type: 'imsbasiclti_xmlv1p0', href: file, content: xml('cartridge_basiclti_link', '') };
  }
}

const all = (items: readonly PackageItem[]): PackageItem[] =>
  items.flatMap((item) => [item, ...all(item.items ?? [])]);

export function manifestOf(items: readonly PackageItem[], version: Version = '1.3'): string {
  const [v, p] = NUMBERS[version];
  const written = (item: PackageItem): string =>
    `<item identifier="${item.id}"${item.kind === 'unit' ? '' : ` identifierref="${item.id}_R"`}><title>${escape(item.title)}</title>${(item.items ?? []).map(written).join('')}</item>`;
  const resources = all(items).flatMap((item) => {
    const made = resourceOf(item, version);
    return made
      ? `<resource identifier="${item.id}_R" type="${made.type}" href="${made.href}"><file href="${made.href}"/></resource>`
      : [];
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="M1" xmlns="http://www.imsglobal.org/xsd/imsccv${p}/imscp_${v}" xmlns:lomimscc="http://ltsc.ieee.org/xsd/imsccv${p}/LOM/manifest">
<metadata><schema>IMS Common Cartridge</schema><schemaversion>${version}.0</schemaversion>
<lomimscc:lom><lomimscc:general><lomimscc:title><lomimscc:string>Hull lofting</lomimscc:string></lomimscc:title></lomimscc:general></lomimscc:lom></metadata>
<organizations><organization identifier="O1" structure="rooted-hierarchy"><item identifier="root">${items.map(written).join('')}</item></organization></organizations>
<resources>${resources.join('')}</resources></manifest>`;
}

export function cartridge(items: readonly PackageItem[], version: Version = '1.3'): Uint8Array {
  const files: Record<string, Uint8Array> = { 'imsmanifest.xml': strToU8(manifestOf(items, version)) };
  for (const item of all(items)) {
    const made = resourceOf(item, version);
    if (made) files[made.href] = made.content;
  }
  return zipSync(files);
}

/** A PDF as small as one can be. */
export const PDF = strToU8('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF\n');

/** A unit with a page, a file, a link, and a unit of its own. */
export const SAMPLE: readonly PackageItem[] = [
  {
    id: 'i1',
    kind: 'unit',
    title: 'Bevels & boards',
    items: [
      {
        id: 'i2',
        kind: 'page',
        title: 'Before class',
        path: 'wiki/before.html',
        html: '<p>Bring a <b>rule</b>.<script>x</script></p>',
      },
      { id: 'i3', kind: 'file', title: 'The bevel board', path: 'web/bevel board.pdf', bytes: PDF },
      { id: 'i4', kind: 'webLink', title: 'Taking bevels', url: 'https://x.example/bevels?a=1&b=2' },
      {
        id: 'i5',
        kind: 'unit',
        title: 'For practice',
        items: [{ id: 'i6', kind: 'test', title: 'Bevels quiz' }],
      },
    ],
  },
  { id: 'i7', kind: 'topic', title: 'What went wrong?', html: '<p>Tell us.</p>' },
  { id: 'i8', kind: 'assignment', title: 'Half model', html: '<p>Carve it.</p>' },
  { id: 'i9', kind: 'tool', title: 'An outside tool' },
];
