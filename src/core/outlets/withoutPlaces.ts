import type { SectionId } from '../ids';
import type { SeenPlan } from '../plan/seenPlan';

/** A plan without rooms and names of sections: where people are at an hour is not for everyone. */
export const withoutPlaces = (plan: SeenPlan): SeenPlan => ({
  ...plan,
  courses: plan.courses.map((course) => ({ ...course, place: '' })),
  classes: plan.classes.map((seen) => {
    const section = { ...seen.section, id: seen.course.id as string as SectionId, name: '' };
    return { ...seen, place: '', section, course: { ...seen.course, place: '', sections: [section] } };
  }),
  entries: plan.entries.map((entry) => (entry.kind === 'event' ? { ...entry, place: '' } : entry)),
  sheets: plan.sheets.map((sheet) => ({
    ...sheet,
    place: '',
    slots: sheet.slots.map((slot) => ({ ...slot, place: '' })),
  })),
  calendars: plan.calendars.map((calendar) => ({
    ...calendar,
    times: calendar.times.map((time) => ({ ...time, place: '' })),
  })),
});
