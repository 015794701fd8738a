import type { Link } from '../entries/entry';
import type { MaterialId } from '../ids';
import { addressOf, fileAddress } from './material';
import type { SeenMaterial } from './seenMaterials';

/**
 * Links as a viewer may follow them: one to a material leads where that leads now, under its title unless it has a label of
 * its own. A material that is gone, or that the viewer does not see yet, takes its link along.
 */
export function linkedMaterials(
  links: readonly Link[],
  materials: ReadonlyMap<MaterialId, SeenMaterial>,
): readonly Link[] {
  if (!links.some((link) => link.material || link.file)) return links;
  return links.flatMap((link) => {
    if (link.file) return [{ ...link, url: fileAddress(link.file) }];
    if (!link.material) return [link];
    const material = materials.get(link.material);
    if (!material) return [];
    const named = link.label ? {} : { label: material.title, titled: true };
    return [{ ...link, url: addressOf(material), ...named }];
  });
}
