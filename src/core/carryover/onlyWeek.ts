import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import type { MaterialId } from '../ids';
import type { Material } from '../materials/material';
import { weekNumber } from '../time/term';
import { dayOf } from '../time/zonedWall';
import type { CoursePlan } from './carry';

/** What links lead to, with the units it lies in. */
function linkedMaterials(
  materials: readonly Material[],
  linked: ReadonlySet<MaterialId | undefined>,
): readonly Material[] {
  const byId = new Map(materials.map((material) => [material.id, material]));
  const kept = new Set<MaterialId>();
  for (const { id } of materials.filter((material) => linked.has(material.id)))
    for (let at: MaterialId | undefined = id; at && !kept.has(at); at = byId.get(at)?.parent) kept.add(at);
  return materials.filter(({ id }) => kept.has(id));
}

/**
 * What is planned in one teaching week of a course: its classes, its entries by their own day, and the materials that these
 * link to. Sign-up sheets stay behind: their times are their hosts'.
 */
export function onlyWeek(plan: CoursePlan, week: number): CoursePlan {
  const inWeek = (day: Temporal.PlainDate | undefined) => day && weekNumber(plan.term, day) === week;
  const dates = new Map(plan.course.sections.flatMap(({ meetings }) => meetings.map((m) => [m.id, m.date])));
  const classPlans = plan.classPlans.filter(({ bindings }) =>
    bindings.some(({ meeting }) => meeting && inWeek(dates.get(meeting))),
  );
  const entries = plan.entries.filter((entry) => inWeek(dayOf(mainMoment(entry))));
  const links = [...classPlans, ...entries].flatMap((item) => ('links' in item ? item.links : []));
  return {
    ...plan,
    classPlans,
    entries,
    sheets: [],
    materials: linkedMaterials(plan.materials, new Set(links.map(({ material }) => material))),
    course: { ...plan.course, themes: new Map([...plan.course.themes].filter(([of]) => of === week)) },
  };
}
