import Papa from 'papaparse';
import { safeUri } from '../icalendar/text';
import type { Material, MaterialKind } from './material';
import { MATERIAL_KINDS } from './material';

/** One line of a list: a unit, or something in the unit that was named last. */
export type ReadMaterial = Readonly<{
  line: number;
  kind: MaterialKind;
  title: string;
  url: string;
  unit: string;
  /** It had an address alone: its title was made of that. */
  untitled?: boolean;
}>;
export type MaterialReading = Readonly<{
  items: readonly ReadMaterial[];
  faults: readonly Readonly<{ line: number; message: string }>[];
}>;

const MOST = 5000;
const COLUMNS: Readonly<Record<'unit' | 'title' | 'url' | 'kind', RegExp>> = {
  unit: /^(unit|module|section|week|folder)$/i,
  title: /^(title|name|label)$/i,
  url: /^(url|link|address)$/i,
  kind: /^(kind|type)$/i,
};
type Column = keyof typeof COLUMNS;

const isAddress = (text: string) =>
  /^https?:\/\/\S+$/i.test(text) && safeUri(text) !== undefined && URL.canParse(text);

/** A title made of an address, where nothing better is known: its last part, without dashes and ending. */
export function titleFromUrl(address: string): string {
  const { pathname, hostname } = new URL(address);
  const last = pathname.split('/').filter(Boolean).at(-1);
  if (!last) return hostname;
  return (
    decoded(last)
      .replace(/\.[a-z0-9]{1,5}$/i, '')
      .replace(/[-_+]+/g, ' ')
      .trim() || hostname
  );
}

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

const kindFrom = (text: string): MaterialKind | undefined => {
  const plain = text.toLowerCase().replace(/[^a-z]/g, '');
  return MATERIAL_KINDS.find((kind) => kind.toLowerCase() === plain && kind !== 'unit' && kind !== 'page');
};

/**
 * Reads a pasted list or a CSV (RFC 4180; also with tabs). A table has columns unit, title, url and kind, named in its first
 * line. A plain list has a line for each material, `Title https://…` or an address alone; a line without an address is a
 * unit, and what follows lies in it.
 */
export function readMaterials(text: string): MaterialReading {
  const plain = text.replace(/^\uFEFF/, '');
  if (/[\u0000\uFFFD]/.test(plain))
    return { items: [], faults: [{ line: 1, message: 'This is not UTF-8 text. Save the file as CSV (UTF-8) and try again.' }] }; // prettier-ignore
  const [head = ''] = plain.split(/\r?\n/, 1);
  const columns = columnsOf(head);
  const reading = columns ? readTable(plain, columns) : readList(plain);
  if (reading.items.length <= MOST) return reading;
  return { items: [], faults: [{ line: MOST + 1, message: `At most ${MOST} materials at once.` }] };
}

function columnsOf(head: string): ReadonlyMap<Column, number> | undefined {
  const cells = Papa.parse<string[]>(head, { delimiter: head.includes('\t') ? '\t' : ',' }).data[0] ?? [];
  const found = new Map<Column, number>();
  for (const column of Object.keys(COLUMNS) as Column[]) {
    const at = cells.findIndex((cell) => COLUMNS[column].test(cell.trim()));
    if (at >= 0) found.set(column, at);
  }
  return found.has('url') && found.has('title') ? found : undefined;
}

function readTable(text: string, columns: ReadonlyMap<Column, number>): MaterialReading {
  const { data } = Papa.parse<string[]>(text, {
    delimiter: text.split('\n', 1)[0]!.includes('\t') ? '\t' : ',',
  });
  const items: ReadMaterial[] = [];
  const faults: { line: number; message: string }[] = [];
  data.slice(1).forEach((cells, i) => {
    const line = i + 2;
    const cell = (column: Column) => (cells[columns.get(column) ?? -1] ?? '').trim();
    if (cells.every((value) => value.trim() === '')) return;
    const url = cell('url');
    const kind = cell('kind') === '' ? 'webLink' : kindFrom(cell('kind'));
    if (!isAddress(url)) return void faults.push({ line, message: `“${url}” is not a whole address.` });
    if (!kind) return void faults.push({ line, message: `“${cell('kind')}” is not a kind of material.` });
    items.push({ line, kind, title: cell('title') || titleFromUrl(url), url, unit: cell('unit') });
  });
  return { items, faults };
}

function readList(text: string): MaterialReading {
  let unit = '';
  const items: ReadMaterial[] = [];
  text.split(/\r?\n/).forEach((raw, i) => {
    const words = raw.replace(/^\s*(?:[-*•]|\d{1,3}[.)])\s+/, '').trim();
    if (words === '') return;
    const url = words.split(/\s+/).find(isAddress);
    const line = i + 1;
    if (!url) {
      unit = words.replace(/:$/, '').slice(0, 300);
      items.push({ line, kind: 'unit', title: unit, url: '', unit: '' });
      return;
    }
    const title = words
      .replace(url, '')
      .replace(/[\s|,:–-]+$/g, '')
      .replace(/^[\s|,:–-]+/g, '')
      .slice(0, 300);
    items.push({
      line,
      kind: 'webLink',
      title: title || titleFromUrl(url),
      url,
      unit,
      ...(title ? {} : { untitled: true }),
    });
  });
  return { items, faults: [] };
}

export type Addition = ReadMaterial & Readonly<{ state: 'new' | 'changed' | 'same'; known?: Material }>;

/**
 * What a list would add to an outline: materials are known again by their address in the unit, units by their title, so that
 * the same list brought in twice changes nothing.
 */
export function compareMaterials(items: readonly ReadMaterial[], materials: readonly Material[]): Addition[] {
  const units = new Map(materials.filter((m) => m.kind === 'unit').map((m) => [m.id, m.title.toLowerCase()]));
  const keyOf = (unit: string, url: string) => `${unit.toLowerCase()} ${url}`;
  const known = new Map(
    materials.map((m) =>
      m.kind === 'unit'
        ? [`unit ${m.title.toLowerCase()}`, m]
        : [keyOf((m.parent && units.get(m.parent)) ?? '', m.url), m],
    ),
  );
  const identity = (item: ReadMaterial) =>
    item.kind === 'unit' ? `unit ${item.title.toLowerCase()}` : keyOf(item.unit, item.url);
  // A table names units in a column: each is one of its own, in front of what lies in it.
  const all = items.flatMap((item): ReadMaterial[] =>
    item.unit === ''
      ? [item]
      : [{ line: item.line, kind: 'unit', title: item.unit, url: '', unit: '' }, item],
  );
  const seen = new Set<string>();
  return all
    .filter((item) => !seen.has(identity(item)) && seen.add(identity(item)))
    .map((item) => {
      const found = known.get(identity(item));
      if (!found) return { ...item, state: 'new' };
      const same = found.title === item.title && (item.kind === 'unit' || found.kind === item.kind);
      return { ...item, state: same ? 'same' : 'changed', known: found };
    });
}

/** A list with titles put in front of addresses that stood alone, by line. */
export function withTitles(text: string, titles: ReadonlyMap<number, string>): string {
  return text
    .split(/\r?\n/)
    .map((line, i) => {
      const title = titles.get(i + 1);
      return title ? `${title} ${line.trim()}` : line;
    })
    .join('\n');
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
};

/** The title that an HTML page gives itself, in one line; undefined where it has none. */
export function titleInHtml(html: string): string | undefined {
  const inner = /<title[^>]*>([\s\S]*?)<\/title>/i.exec(html)?.[1];
  const title = inner
    ?.replace(
      /&(?:#(\d{1,6})|#x([0-9a-f]{1,5})|([a-z]+));/gi,
      (whole, decimal?: string, hex?: string, name?: string) => {
        const code = decimal ? Number(decimal) : hex ? Number.parseInt(hex, 16) : undefined;
        if (code !== undefined) return code > 31 && code <= 0x10ffff ? String.fromCodePoint(code) : ' ';
        return ENTITIES[name!.toLowerCase()] ?? whole;
      },
    )
    .replace(/[\u0000-\u001f\u007f\s]+/g, ' ')
    .trim()
    .slice(0, 300);
  return title || undefined;
}
