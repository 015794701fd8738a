import { Temporal } from 'temporal-polyfill';
import type { ClassPlan } from '../plan/classPlan';
import type { Course, Section } from '../plan/plan';
import { classOf, lastOrdinal } from '../time/classNumber';
import type { Meeting } from '../time/meetings';
import type { Material } from './material';

/** A material and the class, in each section, on which it would stand. */
export type Placement = Readonly<{
  ordinal: number;
  material: Material;
  meetings: readonly Readonly<{ section: Section; meeting: Meeting }>[];
}>;
export type UnitPlacing = Readonly<{
  placements: readonly Placement[];
  /** For which there is no class left. */
  left: readonly Material[];
}>;

/**
 * Puts materials on the coming classes of a course, one each, in their order: from a day on, on classes of a number on which
 * nothing is planned in any section. Cancelled classes are passed over.
 */
export function placeUnit(
  course: Course,
  plans: readonly ClassPlan[],
  materials: readonly Material[],
  from: Temporal.PlainDate,
): UnitPlacing {
  const planned = new Set(plans.flatMap((plan) => plan.bindings.map((binding) => binding.meeting)));
  const last = lastOrdinal(course);
  const waiting = [...materials];
  const placements: Placement[] = [];
  for (let ordinal = 1; ordinal <= last && waiting.length > 0; ordinal++) {
    const all = course.sections.flatMap((section) => {
      const meeting = classOf(section.meetings, { ordinal });
      return meeting ? [{ section, meeting }] : [];
    });
    const meetings = all.filter(({ meeting }) => meeting.cancelled === undefined);
    const past = meetings.some(({ meeting }) => Temporal.PlainDate.compare(meeting.date, from) < 0);
    if (meetings.length === 0 || past || all.some(({ meeting }) => planned.has(meeting.id))) continue;
    placements.push({ ordinal, material: waiting.shift()!, meetings });
  }
  return { placements, left: waiting };
}
