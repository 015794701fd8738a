import type { ClassPlan } from './classPlan';
import type { Course, Section } from './plan';
import type { Meeting } from '../time/meetings';

/** A plan whose class is gone in a section, and the next class there that nothing stands on. */
export type WaitingPlan = Readonly<{ plan: ClassPlan; section: Section; next?: Meeting }>;

/** The first of the plan's own strand; where the section has none of those any more, the first of all. */
export const preferred = (meetings: readonly Meeting[], { strand }: ClassPlan): Meeting | undefined =>
  meetings.find((meeting) => meeting.strand === strand) ?? meetings[0];

/**
 * Plans that lost their class, by a closure or another week. The class offered for each is the first free one after those
 * on which earlier plans of the section stand, and no two are offered the same.
 */
export function waitingPlans(course: Course, plans: readonly ClassPlan[]): WaitingPlan[] {
  return course.sections.flatMap((section) => {
    const meetings = new Set(section.meetings.map((meeting) => meeting.id));
    const bound = plans.flatMap((plan) =>
      plan.bindings.filter((b) => b.section === section.id).map((b) => ({ plan, meeting: b.meeting })),
    );
    const taken = new Set<string>(bound.map((b) => b.meeting));
    return bound
      .filter(({ meeting }) => !meetings.has(meeting))
      .map(({ plan }) => {
        const free = section.meetings.filter((m) => m.cancelled === undefined && !taken.has(m.id));
        const next = preferred(free, plan);
        if (next) taken.add(next.id);
        return { plan, section, ...(next ? { next } : {}) };
      });
  });
}
