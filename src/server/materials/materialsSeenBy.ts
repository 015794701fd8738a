import type { Viewer } from '@/core/entries/viewer';
import { coursesOf } from '@/core/entries/viewer';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import { seenMaterials } from '@/core/materials/seenMaterials';
import { materialsOf } from '@/data/materials/materials';
import type { Pembit } from '../pembit';

/** The materials of all courses a viewer has to do with, as that viewer may see them now. */
export async function materialsSeenBy(pembit: Pembit, viewer: Viewer): Promise<SeenMaterial[]> {
  return seenMaterials(viewer, await materialsOf(pembit, coursesOf(viewer)), pembit.now());
}
