import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '../entries/entry';
import type { Link } from '../entries/entry';
import type { CourseId, MaterialId } from '../ids';
import type { SeenPlan } from '../plan/seenPlan';
import { dayOf, momentText } from '../time/zonedWall';
import type { Material } from './material';
import { heldBy } from './outline';

/** A day on which something leads to a material, or to the unit it lies in. */
export type Use = Readonly<{ day: string; title: string; course: CourseId }>;
export type MaterialUse = Readonly<{
  uses: readonly Use[];
  /** When something last began to lead to it. */ recency: number;
}>;

type Leading = Use & Readonly<{ links: readonly Link[]; lastModified: Temporal.Instant }>;

/** Every day where the materials of a plan are used, by material, in the order of time. One that is missing is unused. */
export function usedMaterials(plan: SeenPlan, materials: readonly Material[]): Map<MaterialId, MaterialUse> {
  const leading: Leading[] = [
    ...plan.entries.flatMap((entry) =>
      entry.kind === 'note'
        ? []
        : entry.audience.map(({ course }) => ({
            day: momentText(dayOf(mainMoment(entry))),
            title: entry.title,
            course,
            links: entry.links,
            lastModified: entry.lastModified,
          })),
    ),
    ...plan.classes.flatMap(({ course, meeting, plan: taught }) =>
      taught
        ? [
            {
              day: momentText(meeting.date),
              title: taught.title,
              course: course.id,
              links: taught.links,
              lastModified: taught.lastModified,
            },
          ]
        : [],
    ),
  ];
  const held = new Map<MaterialId, readonly MaterialId[]>();
  const within = (id: MaterialId) => {
    if (!held.has(id)) held.set(id, [id, ...heldBy(materials, id).map((material) => material.id)]);
    return held.get(id)!;
  };
  const found = new Map<MaterialId, { uses: Use[]; recency: number }>();
  for (const { links, lastModified, ...use } of leading)
    for (const { material } of links)
      for (const id of material ? within(material) : []) {
        const known = found.get(id) ?? { uses: [], recency: 0 };
        const twice = known.uses.some((other) => other.day === use.day && other.title === use.title);
        if (!twice) known.uses.push(use);
        found.set(id, { ...known, recency: Math.max(known.recency, lastModified.epochMilliseconds) });
      }
  for (const { uses } of found.values()) uses.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return found;
}
