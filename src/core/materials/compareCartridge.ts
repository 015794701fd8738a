import type { CartridgeItem } from '../exchange/readCartridge';
import type { Material } from './material';

/** An item as it would be kept: its text sanitised, its file told by its content. */
export type ReadyItem = CartridgeItem & Readonly<{ recording?: boolean; hash?: string }>;
export type CartridgeLine = Readonly<{
  item: ReadyItem;
  state: 'new' | 'changed' | 'same';
  known?: Material;
}>;
export type CartridgeComparison = Readonly<{
  lines: readonly CartridgeLine[];
  /** Materials that came from such a package before and are not in this one; they stay. */
  gone: readonly Material[];
}>;

export const kindFrom = (item: ReadyItem): Material['kind'] => (item.recording ? 'recording' : item.kind);

/**
 * What a package would add and change. An item is known again by its identifier, then by its address or path, then by its
 * title in its unit; each material is met once. Where it lies in the outline is the course's to decide, and stays.
 */
export function compareCartridge(
  items: readonly ReadyItem[],
  materials: readonly Material[],
  hashOf: (material: Material) => string | undefined,
): CartridgeComparison {
  const free = new Set(materials.filter((material) => material.source));
  const titled = new Map(materials.map((m) => [`${m.parent ?? ''} ${m.kind} ${m.title}`, m]));
  const met = new Map<string, Material>();
  const take = (found: Material | undefined) => {
    if (found) free.delete(found);
    return found;
  };
  const byId = new Map([...free].map((m) => [m.source!.id, m]));
  const lines = new Map<ReadyItem, CartridgeLine>();
  const settle = (item: ReadyItem, known: Material | undefined) => {
    take(known);
    if (known) met.set(item.id, known);
    lines.set(item, known ? { item, state: stateOf(item, known, hashOf), known } : { item, state: 'new' });
  };
  // Identifiers first for all: what is known by one is not taken for another that has the same address.
  for (const item of items) {
    const known = byId.get(item.id);
    if (known && free.has(known)) settle(item, known);
  }
  for (const item of items) {
    if (lines.has(item)) continue;
    const byPath = item.path === '' ? undefined : [...free].find((m) => m.source!.path === item.path);
    const parent = item.parent === undefined ? '' : met.get(item.parent)?.id;
    const byTitle =
      parent === undefined ? undefined : titled.get(`${parent} ${kindFrom(item)} ${item.title}`);
    const taken = byTitle && [...met.values()].includes(byTitle);
    settle(item, byPath ?? (taken ? undefined : byTitle));
  }
  return { lines: items.map((item) => lines.get(item)!), gone: [...free] };
}

function stateOf(
  item: ReadyItem,
  known: Material,
  hashOf: (material: Material) => string | undefined,
): 'changed' | 'same' {
  const same =
    known.title === item.title &&
    known.url === item.url &&
    known.text === item.text &&
    known.kind === kindFrom(item) &&
    hashOf(known) === item.hash;
  return same ? 'same' : 'changed';
}
