import type { MaterialId } from '../ids';
import type { Material } from './material';

/** A material with what it holds, in order. */
export type OutlineNode<M extends Material = Material> = Readonly<{
  material: M;
  depth: number;
  children: readonly OutlineNode<M>[];
}>;

/** The materials of a course as a tree, each level in its order. What names a parent that is not there lies at the top. */
export function outlineOf<M extends Material>(materials: readonly M[]): OutlineNode<M>[] {
  const known = new Set(materials.map((material) => material.id));
  const under = new Map<MaterialId | undefined, M[]>();
  for (const material of materials) {
    const parent = material.parent && known.has(material.parent) ? material.parent : undefined;
    under.set(parent, [...(under.get(parent) ?? []), material]);
  }
  const level = (parent: MaterialId | undefined, depth: number): OutlineNode<M>[] =>
    [...(under.get(parent) ?? [])]
      .sort((a, b) => a.position - b.position)
      .map((material) => ({ material, depth, children: level(material.id, depth + 1) }));
  return level(undefined, 0);
}

/** An outline from top to bottom. */
export const inOrder = <M extends Material>(nodes: readonly OutlineNode<M>[]): OutlineNode<M>[] =>
  nodes.flatMap((node) => [node, ...inOrder(node.children)]);

/** Everything that lies in a material, however deep. */
export function heldBy(materials: readonly Material[], id: MaterialId): Material[] {
  const direct = materials.filter((material) => material.parent === id);
  return direct.flatMap((material) => [material, ...heldBy(materials, material.id)]);
}

/** Answers the place at the end of each unit, or of the top level, one after the other: gaps from what was taken away stay behind. */
export function placesAtEnd(materials: readonly Material[]): (parent: MaterialId | undefined) => number {
  const next = new Map<MaterialId | undefined, number>();
  for (const { parent, position } of materials)
    next.set(parent, Math.max(next.get(parent) ?? 0, position + 1));
  return (parent) => {
    const position = next.get(parent) ?? 0;
    next.set(parent, position + 1);
    return position;
  };
}

export type Place = Readonly<{
  parent?: MaterialId;
  /** In front of which one; absent: at the end. */ before?: MaterialId;
}>;

/**
 * Puts a material elsewhere in its outline. Answers those whose parent or position is another one now; undefined where the
 * place is no unit, or lies within the material itself.
 */
export function moveInOutline(
  materials: readonly Material[],
  id: MaterialId,
  { parent, before }: Place,
): Material[] | undefined {
  const moving = materials.find((material) => material.id === id);
  const unit = parent && materials.find((material) => material.id === parent);
  if (!moving || (parent && unit && unit.kind !== 'unit') || (parent && !unit)) return undefined;
  if (parent === id || heldBy(materials, id).some((material) => material.id === parent)) return undefined;
  const level = (of: MaterialId | undefined) =>
    materials
      .filter((material) => material.parent === of && material.id !== id)
      .sort((a, b) => a.position - b.position);
  const next = level(parent);
  const at = before ? next.findIndex((material) => material.id === before) : next.length;
  if (at < 0) return undefined;
  const { parent: _, ...free } = moving;
  next.splice(at, 0, parent ? { ...free, parent } : free);
  const left = moving.parent === parent ? [] : level(moving.parent);
  const placed = next.map((material, position) => ({ ...material, position }));
  const closed = left.map((material, position) => ({ ...material, position }));
  const was = new Map(materials.map((material) => [material.id, material]));
  return [...placed, ...closed].filter(
    (material) =>
      material.position !== was.get(material.id)!.position ||
      material.parent !== was.get(material.id)!.parent,
  );
}
