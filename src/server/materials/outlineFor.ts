import type { CourseId, MaterialId } from '@/core/ids';
import type { Material } from '@/core/materials/material';
import type { Course } from '@/core/plan/plan';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import { materialById, materialsOf } from '@/data/materials/materials';
import { loadFrame } from '@/data/plan/loadPlan';
import type { SignedIn } from '../session/session';

export type CourseOutline = Readonly<{ course: Course; tzid: string; materials: readonly Material[] }>;

/** The outline of a course that the actor teaches, to be changed. */
export async function outlineFor(
  reader: Reader,
  actor: SignedIn,
  id: CourseId,
): Promise<Outcome<CourseOutline>> {
  if (!mayIn(actor, 'changeMaterial', id)) return refused('notFound');
  const [{ courses, terms }, materials] = await Promise.all([
    loadFrame(reader, [id]),
    materialsOf(reader, [id]),
  ]);
  const [course] = courses;
  if (!course) return refused('notFound');
  return done({ course, tzid: terms[0]?.tzid ?? 'Etc/UTC', materials });
}

/** A material that the actor may change, with its outline. */
export async function materialFor(
  reader: Reader,
  actor: SignedIn,
  id: MaterialId,
): Promise<Outcome<CourseOutline & { material: Material }>> {
  const material = await materialById(reader, id);
  if (!material) return refused('notFound');
  const outline = await outlineFor(reader, actor, material.course);
  return outline.ok ? done({ ...outline.value, material }) : outline;
}
