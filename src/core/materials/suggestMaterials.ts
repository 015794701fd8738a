/** What is known of a material that could be linked. The list is in the order of the outline. */
export type Suggestible = Readonly<{
  id: string;
  title: string;
  unit: string;
  used: boolean;
  recency: number;
}>;

const NEXT = 3;
const RECENT = 3;

/** What follows in the outline on what was used last, and was not used yet. */
function nextInOutline<M extends Suggestible>(materials: readonly M[]): M[] {
  const latest = materials.reduce(
    (best, { recency }, i) => (recency > (materials[best]?.recency ?? 0) ? i : best),
    -1,
  );
  return materials
    .slice(latest + 1)
    .filter(({ used }) => !used)
    .slice(0, NEXT);
}

/**
 * The materials that somebody most likely means. Without words: what comes next in the outline, then what was used last.
 * With words, every one of which stands in the title or its unit's: titles that begin so first, then those with such a
 * word, then the others; among equals what would be suggested anyway.
 */
export function suggestMaterials<M extends Suggestible>(
  materials: readonly M[],
  words: string,
  most: number,
): M[] {
  const next = nextInOutline(materials);
  const recent = materials
    .filter(({ recency }) => recency > 0)
    .sort((a, b) => b.recency - a.recency)
    .slice(0, RECENT);
  const likely = [...new Set([...next, ...recent])];
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return likely.slice(0, most);
  const first = new Map(likely.map((material, i) => [material, i]));
  const rank = (title: string): number => {
    if (title.startsWith(wanted.join(' '))) return 0;
    return wanted.every((word) => title.startsWith(word) || title.includes(` ${word}`)) ? 1 : 2;
  };
  return materials
    .map((material, i) => ({ material, i, title: material.title.toLowerCase() }))
    .filter(({ material, title }) => {
      const text = `${title} ${material.unit.toLowerCase()}`;
      return wanted.every((word) => text.includes(word));
    })
    .map((found) => ({
      ...found,
      rank: rank(found.title),
      likely: first.get(found.material) ?? likely.length,
    }))
    .sort((a, b) => a.rank - b.rank || a.likely - b.likely || a.i - b.i)
    .slice(0, most)
    .map(({ material }) => material);
}
