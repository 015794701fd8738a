import type { OutlineRow } from './outlineView';

export type Step = 'up' | 'down' | 'into' | 'out';
type Place = Readonly<{ parent?: string; before?: string }>;
type Line = Pick<OutlineRow, 'id' | 'parent' | 'kind'>;

/**
 * Where a line of an outline goes by one step: past its neighbour, into the unit in front of it, out of its own unit (behind
 * that). A step that leads nowhere is absent.
 */
export function placesOf(rows: readonly Line[]): (id: string) => Readonly<Partial<Record<Step, Place>>> {
  const siblings = (parent: string | undefined) => rows.filter((row) => row.parent === parent);
  const behind = (row: Line): string | undefined => {
    const level = siblings(row.parent);
    return level[level.indexOf(row) + 1]?.id;
  };
  return (id) => {
    const row = rows.find((r) => r.id === id);
    if (!row) return {};
    const level = siblings(row.parent);
    const at = level.indexOf(row);
    const [before, after] = [level[at - 1], level[at + 1]];
    const unit = rows.find((r) => r.id === row.parent);
    return {
      ...(before ? { up: { parent: row.parent, before: before.id } } : {}),
      ...(after ? { down: { parent: row.parent, before: behind(after) } } : {}),
      ...(before?.kind === 'unit' ? { into: { parent: before.id } } : {}),
      ...(unit ? { out: { parent: unit.parent, before: behind(unit) } } : {}),
    };
  };
}
