import type { SectionId } from '../ids';
import type { SeenPlan } from '../plan/seenPlan';

type SeenEvent = Extract<SeenPlan['entries'][number], { kind: 'event' }>;

/** An event without its place, nor one of its single dates. */
const placeless = (event: SeenEvent): SeenEvent => ({
  ...event,
  place: '',
  ...(event.recurrence
    ? {
        recurrence: {
          ...event.recurrence,
          overrides: event.recurrence.overrides.map(({ place: _, ...override }) => override),
        },
      }
    : {}),
});

/** A plan without rooms and names of sections: where people are at an hour is not for everyone. */
export const withoutPlaces = (plan: SeenPlan): SeenPlan => ({
  ...plan,
  courses: plan.courses.map((course) => ({ ...course, place: '' })),
  classes: plan.classes.map((seen) => {
    const section = { ...seen.section, id: seen.course.id as string as SectionId, name: '' };
    return { ...seen, place: '', section, course: { ...seen.course, place: '', sections: [section] } };
  }),
  // That a closure is of some sections stays.
  closures: plan.closures.map((closure) =>
    closure.sectionNames ? { ...closure, sectionNames: [] } : closure,
  ),
  entries: plan.entries.map((entry) => (entry.kind === 'event' ? placeless(entry) : entry)),
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
