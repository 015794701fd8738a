import { Temporal } from 'temporal-polyfill';
import type { Viewer } from '../entries/viewer';
import { coursesOf, isStaffOf } from '../entries/viewer';
import type { MaterialId } from '../ids';
import type { Material } from './material';

/** A material as a viewer may see it; `hidden` marks for staff what students do not see yet. */
export type SeenMaterial = Material & Readonly<{ hidden: boolean }>;

/**
 * The materials that a viewer may see: staff all of their courses', others what is visible by now, with every unit around
 * it. Pages, links and addresses go through here.
 */
export function seenMaterials(
  viewer: Viewer,
  materials: readonly Material[],
  now: Temporal.Instant,
): SeenMaterial[] {
  const own = new Set<string>(coursesOf(viewer));
  const byId = new Map(materials.map((material) => [material.id, material]));
  const known = new Map<MaterialId, boolean>();
  const hidden = (material: Material): boolean => {
    const before = known.get(material.id);
    if (before !== undefined) return before;
    // A circle, which no act makes, is hidden rather than endless.
    known.set(material.id, true);
    const parent = material.parent && byId.get(material.parent);
    const { visibleFrom } = material;
    const itself = visibleFrom !== undefined && Temporal.Instant.compare(visibleFrom.at, now) > 0;
    const is = itself || (parent ? hidden(parent) : false);
    known.set(material.id, is);
    return is;
  };
  return materials
    .filter((material) => own.has(material.course))
    .map((material) => ({ ...material, hidden: hidden(material) }))
    .filter((material) => !material.hidden || isStaffOf(viewer, material.course));
}
