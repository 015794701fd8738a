import { groupBy } from '@/core/groupBy';
import { isStaffOf } from '@/core/entries/viewer';
import type { CourseId } from '@/core/ids';
import { usedLinks } from '@/core/links/usedLinks';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import { usedMaterials } from '@/core/materials/usedMaterials';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { linkTestsFor } from '@/server/links/linkTestsFor';
import type { Pembit } from '@/server/pembit';
import type { SignedIn } from '@/server/session/session';
import type { OutlineRow } from '@/ui/materials/outlineView';
import { outlineView } from '@/ui/materials/outlineView';

/** The outline of a course as somebody sees it; its staff learns where each material is used and how its links answered. */
export async function outlineRows(
  pembit: Pembit,
  actor: SignedIn,
  {
    plan,
    materials,
    course,
  }: Readonly<{ plan: SeenPlan; materials: readonly SeenMaterial[]; course: CourseId }>,
): Promise<OutlineRow[]> {
  const own = materials.filter((material) => material.course === course);
  if (!isStaffOf(actor.viewer, course)) return outlineView(own, plan.locale);
  const urls = usedLinks({ ...plan, entries: [], classes: [] }, own).map((link) => link.url);
  const codes = new Map<string, string>(plan.courses.map((c) => [c.id, c.code]));
  return outlineView(own, plan.locale, {
    uses: usedMaterials(plan, own),
    tests: await linkTestsFor(pembit, urls),
    codeOf: (id) => codes.get(id) ?? '',
  });
}

/** Where the lines of an outline lead, those of one unit together. */
export const linksByUnit = (rows: readonly OutlineRow[]): string[][] =>
  [...groupBy(rows, ({ parent }) => parent ?? '').values()].map((unit) => unit.map(({ href }) => href));
