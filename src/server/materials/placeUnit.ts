import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { ClassPlanId, MaterialId } from '@/core/ids';
import type { Material } from '@/core/materials/material';
import type { Placement, UnitPlacing } from '@/core/materials/placeUnit';
import { placeUnit } from '@/core/materials/placeUnit';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { materialTexts } from '@/core/texts/materials';
import { dateLabel } from '@/core/time/dateLabels';
import type { Reader } from '@/data/reader';
import { classPlansOf, writeClassPlan } from '@/data/plan/classPlans';
import { loadFrame } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { materialFor } from './outlineFor';

/** A unit whose items go on the classes from a day on; `rest` leaves out those that some class leads to already. */
export type UnitPlace = Readonly<{ unit: MaterialId; from: Temporal.PlainDate; rest: boolean }>;
type Found = Readonly<{ course: Course; unit: Material; placing: UnitPlacing }>;

async function placingFor(
  reader: Reader,
  actor: SignedIn,
  { unit: id, from, rest }: UnitPlace,
): Promise<Outcome<Found>> {
  const found = await materialFor(reader, actor, id);
  if (!found.ok) return found;
  const { material: unit, materials } = found.value;
  const [frame, plans] = await Promise.all([
    loadFrame(reader, [unit.course]),
    classPlansOf(reader, [unit.course]),
  ]);
  const used = new Set(plans.flatMap((plan) => plan.links.flatMap((link) => link.material ?? [])));
  const items = (unit.kind === 'unit' ? materials.filter((material) => material.parent === id) : [unit])
    .filter((material) => !rest || !used.has(material.id))
    .sort((a, b) => a.position - b.position);
  const [course] = frame.courses;
  if (!course) return refused('notFound');
  return done({ course, unit, placing: placeUnit(course, plans, items, from) });
}

export type PlacingPreview = Readonly<{
  lines: readonly Readonly<{ ordinal: number; title: string; days: readonly string[] }>[];
  left: readonly string[];
}>;

/** Which item would stand on which class; nothing is saved. */
export async function previewPlacing(
  pembit: Pembit,
  actor: SignedIn,
  place: UnitPlace,
): Promise<Outcome<PlacingPreview>> {
  const found = await placingFor(pembit, actor, place);
  if (!found.ok) return found;
  const { course, placing } = found.value;
  const { locale } = await schoolSettings(pembit);
  const day = ({ section, meeting }: Placement['meetings'][number]) =>
    `${course.sections.length > 1 ? `${section.name}: ` : ''}${dateLabel(meeting.date, 'short', locale)}`;
  return done({
    lines: placing.placements.map(({ ordinal, material, meetings }) => ({
      ordinal,
      title: material.title,
      days: meetings.map(day),
    })),
    left: placing.left.map((material) => material.title),
  });
}

/** Plans a class for each item, as the preview showed it: one act. */
export function placeUnitOnClasses(
  pembit: Pembit,
  actor: SignedIn,
  place: UnitPlace,
): Promise<Outcome<{ planned: number }>> {
  return perform(pembit, actor, 'placeUnit', async (change) => {
    const found = await placingFor(change, actor, place);
    if (!found.ok) return found;
    const { course, unit, placing } = found.value;
    if (placing.placements.length === 0)
      return refused('badRequest', [{ field: 'unit', message: materialTexts.noClassLeft }]);
    for (const { material, meetings } of placing.placements)
      await writeClassPlan(change, {
        id: randomUUID() as ClassPlanId,
        course: course.id,
        title: material.title.slice(0, 200),
        description: '',
        links: [{ url: '', label: '', staffOnly: false, material: material.id }],
        pinned: false,
        bindings: meetings.map(({ section, meeting }) => ({ section: section.id, meeting: meeting.id })),
      });
    change.summarise(materialTexts.placed({ title: unit.title, count: placing.placements.length }));
    return done({ planned: placing.placements.length });
  });
}
