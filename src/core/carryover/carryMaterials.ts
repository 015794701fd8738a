import type { MaterialId } from '../ids';
import type { Material } from '../materials/material';
import { placesAtEnd } from '../materials/outline';
import { toInstant } from '../time/zone';
import type { Carrying, CoursePlan } from './carry';
import type { DayMap } from './dayMap';

/** What a material is known by, whichever course it lies in. */
const sameness = ({ kind, title, url, file }: Material): string => JSON.stringify([kind, title, url, file]);

/**
 * The outline of the old course, as far as the new one does not have it: what is there already (of one kind, title and
 * address) is linked to instead. `idOf` says which material stands for which.
 */
export function carryMaterials(
  before: CoursePlan,
  after: CoursePlan,
  { now, newId, map }: Pick<Carrying, 'now' | 'newId'> & Readonly<{ map: DayMap }>,
): { made: Material[]; idOf: ReadonlyMap<MaterialId, MaterialId> } {
  const there = new Map(after.materials.map((material) => [sameness(material), material.id]));
  const idOf = new Map<MaterialId, MaterialId>();
  for (const material of before.materials)
    idOf.set(material.id, there.get(sameness(material)) ?? (newId() as MaterialId));
  const atEnd = placesAtEnd(after.materials);
  const known = new Set(after.materials.map(({ id }) => id));
  const made = [...before.materials]
    .sort((a, b) => a.position - b.position)
    .filter((material) => !known.has(idOf.get(material.id)!))
    .map((material): Material => {
      const parent = material.parent && idOf.get(material.parent);
      const wall = material.visibleFrom?.wall.wall;
      const shown = wall && map(wall.toPlainDate()).toPlainDateTime(wall.toPlainTime());
      return {
        ...material,
        id: idOf.get(material.id)!,
        course: after.course.id,
        parent,
        position: atEnd(parent),
        visibleFrom: shown && { wall: { wall: shown, tzid: after.zone.tzid }, at: toInstant(after.zone, shown) }, // prettier-ignore
        sequence: 0,
        created: now,
        lastModified: now,
      };
    });
  return { made, idOf };
}
