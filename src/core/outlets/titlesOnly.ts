import type { SeenPlan } from '../plan/seenPlan';

/** A plan of titles and times alone: texts, places, links, notes are gone from it. */
export function titlesOnly(plan: SeenPlan): SeenPlan {
  return {
    ...plan,
    courses: plan.courses.map((course) => ({ ...course, place: '', meetingLink: '' })),
    classes: plan.classes.map((seen) => ({
      ...seen,
      place: '',
      course: { ...seen.course, place: '', meetingLink: '' },
      plan: seen.plan && { ...seen.plan, description: '', links: [] },
    })),
    entries: plan.entries.map((entry) => {
      if (entry.kind === 'note') return { ...entry, description: '' };
      const bare = { description: '', links: [] };
      if (entry.kind === 'event')
        return { ...entry, ...bare, place: '', meetingLink: '', meetingName: '', meetingText: '' };
      if (entry.kind === 'assignment') return { ...entry, ...bare, handIn: '', latePolicy: '' };
      return { ...entry, ...bare };
    }),
    sheets: plan.sheets.map((sheet) => ({
      ...sheet,
      place: '',
      meetingLink: '',
      rules: { ...sheet.rules, links: [] },
      slots: sheet.slots.map((slot) => ({
        ...slot,
        place: '',
        meetingLink: '',
        bookings: slot.bookings.map((booking) => ({ ...booking, note: '', answer: '', meetingLink: '' })),
      })),
    })),
    calendars: plan.calendars.map((calendar) => ({
      ...calendar,
      times: calendar.times.map((time) => ({ ...time, place: '', url: '' })),
    })),
  };
}
