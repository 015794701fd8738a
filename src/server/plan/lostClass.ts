import type { Temporal } from 'temporal-polyfill';
import type { MeetingId } from '@/core/ids';
import type { SeenClass, SeenPlan } from '@/core/plan/seenPlan';
import { termOfCourse } from '@/core/plan/seenPlan';
import type { Closure } from '@/core/time/closure';
import { concernsSection, isOn } from '@/core/time/closure';
import { lostDate } from '../frame/meetingId';

export type LostClass = Pick<SeenClass, 'course' | 'section'> &
  Readonly<{
    /** The day on which the timetable had it. */
    date: Temporal.PlainDate;
    /** What is on that day instead; absent where the week was changed. */
    closure?: Closure;
  }>;

/** A class of a section whose classes the viewer sees, which is not there any more; undefined for what never was one. */
export function lostClass(plan: SeenPlan, id: MeetingId): LostClass | undefined {
  const sections = new Map(plan.classes.map((seen) => [seen.section.id, seen]));
  for (const { course, section } of sections.values()) {
    const term = termOfCourse(plan, course.id);
    const date = term && lostDate(section.id, id, { term, closures: plan.closures });
    if (!date) continue;
    const closure = plan.closures.find(
      (c) => c.term === term.id && isOn(c, date) && concernsSection(c, course.id, section.id),
    );
    return { course, section, date, ...(closure ? { closure } : {}) };
  }
  return undefined;
}
