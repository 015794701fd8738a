import type { MarkedDay } from '../plan/markedDays';

/** The words of a field for a day and of its calendar. */
export const dayTexts = {
  calendarOf: (label: string) => `Calendar: ${label}`,
  unreadable: 'Write a day, such as 28 Oct, Thu 5 Nov or week 6 Thu.',
  weekHead: 'wk',
  weekHeadWhole: 'Week of the term',
  /** A day of the calendar by its full date, and what is on it. */
  day: (date: string, { closed, classes = [], siteDates = [] }: MarkedDay) =>
    [
      date,
      ...(closed === undefined ? [] : [`no classes: ${closed}`]),
      ...(classes.length > 0 ? [`classes: ${classes.join(', ')}`] : []),
      ...siteDates,
    ].join('; '),
};
