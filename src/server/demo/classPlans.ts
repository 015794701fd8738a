import type { Temporal } from 'temporal-polyfill';
import type { ClassPlanId, CourseId, MaterialId } from '@/core/ids';
import type { ClassPlan } from '@/core/plan/classPlan';
import type { Course } from '@/core/plan/plan';
import { HL, NV } from './courses';
import { demoId } from './demoIds';

const TOPICS: readonly (readonly [course: CourseId, topics: readonly string[]])[] = [
  [
    HL.id,
    [
      'The loft floor', 'Offsets', 'Body plan', 'Body plan, checked', 'Battens', 'Fairing the sheer', 'Waterlines', 'Buttocks',
      'Diagonals', 'Checking the fair', 'Bevels', 'Bevel board', 'Moulds', 'Moulds II', 'Stations 2 to 6', 'Ribbands', 'Stem and apron',
      'Rabbet', 'Lining off', 'Spiling', 'Garboard', 'Scarfs', 'Planking review', 'Transom',
    ],
  ],
  [
    NV.id,
    [
      'Reading a chart', 'Compass and variation', 'Leeway', 'Bearings', 'Dead reckoning', 'Currents', 'Set and drift', 'Tides I',
      'Tides II', 'Midterm review', 'Pilotage', 'Buoyage', 'Lights', 'Collision rules', 'Passage planning',
    ],
  ],
]; // prettier-ignore

/** Classes that are about a whole unit of the outline. */
const LINKED = new Set(['Bevels', 'Moulds']);

/** What the first classes of two courses are about, on the class of the same number in each section. */
export function demoClassPlans(
  courses: readonly Course[],
  library: string,
  now: Temporal.Instant,
): ClassPlan[] {
  return TOPICS.flatMap(([id, topics]) => {
    const course = courses.find((c) => c.id === id)!;
    return topics.map((title, i): ClassPlan => ({
      id: demoId<ClassPlanId>(`${course.code} class ${i}`),
      course: id,
      title,
      description: '',
      links: LINKED.has(title)
        ? [
            {
              url: '',
              label: '',
              staffOnly: false,
              material: demoId<MaterialId>(`${course.code} unit ${title}`),
            },
          ]
        : [
            {
              url: `${library}/handouts/${title.toLowerCase().replace(/[^a-z]+/g, '-')}`,
              label: `Handout: ${title.toLowerCase()}`,
              staffOnly: false,
            },
          ],
      pinned: false,
      bindings: course.sections.flatMap((section) => {
        const meeting = section.meetings[i];
        return meeting ? [{ section: section.id, meeting: meeting.id }] : [];
      }),
      sequence: 0,
      created: now,
      lastModified: now,
    }));
  });
}
