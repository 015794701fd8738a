/** Words of the week by the hour. */
export const weekTexts = {
  name: 'Week',
  title: (week: number, range: string) => `Week ${week}, ${range}`,
  earlier: 'Week before',
  later: 'Week after',
  thisWeek: 'This week',
  allDay: 'All day',
  resize: (title: string) => `Another end for ${title}`,
  grid: 'The week by the hour',
} as const;
