import type { ClassPlan } from '@/core/plan/classPlan';
import type { Course } from '@/core/plan/plan';
import { sideBySide } from '@/core/plan/slide';
import { slideTexts } from '@/core/texts/slide';
import { dateLabel } from '@/core/time/dateLabels';

/** The plans of a course side by side in its sections; undefined while the sections stand together. */
export type DriftView = Readonly<{
  sections: readonly Readonly<{ id: string; name: string }>[];
  rows: readonly Readonly<{ plan: string; title: string; places: readonly string[]; apart: boolean }>[];
}>;

export function driftView(
  course: Course,
  plans: readonly ClassPlan[],
  locale: string,
): DriftView | undefined {
  const own = plans.filter((plan) => plan.course === course.id && plan.bindings.length > 1);
  const rows = sideBySide(course.sections, own);
  if (!rows.some(({ apart }) => apart)) return undefined;
  return {
    sections: course.sections.map(({ id, name }) => ({ id, name })),
    rows: rows.map(({ plan, places, apart }) => ({
      plan: plan.id,
      title: plan.title,
      apart,
      places: places.map(({ meeting }) =>
        meeting ? slideTexts.place(meeting, dateLabel(meeting.date, 'short', locale)) : slideTexts.noClass,
      ),
    })),
  };
}
