import type { Viewer } from '@/core/entries/viewer';
import type { FileId } from '@/core/ids';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { StoredFile } from '@/data/materials/files';
import { filesById } from '@/data/materials/files';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { isStored } from './fileStore';
import { materialsSeenBy } from './materialsSeenBy';

/** The files that a plan, as somebody sees it, leads to. */
function filesIn(plan: SeenPlan): Set<FileId> {
  const links = [
    ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : entry.links)),
    ...plan.classes.flatMap((seen) => seen.plan?.links ?? []),
    ...plan.sheets.flatMap((sheet) => sheet.rules.links),
  ];
  return new Set(links.flatMap((link) => link.file ?? []));
}

/** A file, for whoever sees something that leads to it now, and for whoever uploaded it. */
export async function readableFile(pembit: Pembit, viewer: Viewer, id: FileId): Promise<Outcome<StoredFile>> {
  const [file] = await filesById(pembit, [id]);
  if (!file || !(await isStored(pembit.config, file.hash))) return refused('notFound');
  if (viewer.kind === 'person' && file.owner === viewer.id) return done(file);
  const [plan, materials] = await Promise.all([planSeenBy(pembit, viewer), materialsSeenBy(pembit, viewer)]);
  const led = filesIn(plan).has(id) || materials.some((material) => material.file === id);
  return led ? done(file) : refused('notFound');
}
