import type { Temporal } from 'temporal-polyfill';
import type { SeenEntry } from '../entries/seenBy';
import { seenBy } from '../entries/seenBy';
import type { Viewer } from '../entries/viewer';
import { coursesOf } from '../entries/viewer';
import type { SeenSheet } from '../signup/seenSheet';
import { seenSheet } from '../signup/seenSheet';
import type { Term } from '../time/term';
import type { Course, Plan } from './plan';

export type SeenPlan = Readonly<{
  terms: readonly Term[];
  courses: readonly Course[];
  entries: readonly SeenEntry[];
  sheets: readonly SeenSheet[];
}>;

const present = <T>(value: T | undefined): value is T => value !== undefined;

/** The plan as one viewer may see it: the one gate between what is stored and what any page, feed or answer holds. */
export function seenPlan(viewer: Viewer, plan: Plan, now: Temporal.Instant): SeenPlan {
  const own = new Set(coursesOf(viewer));
  const courses = plan.courses.filter((course) => own.has(course.id));
  const terms = new Set(courses.map((course) => course.term));
  return {
    terms: plan.terms.filter((term) => terms.has(term.id)),
    courses,
    entries: plan.entries.map((entry) => seenBy(viewer, entry, now)).filter(present),
    sheets: plan.sheets.map((sheet) => seenSheet(viewer, sheet)).filter(present),
  };
}
