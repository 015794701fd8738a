const hours = (minutes: number) => `${Math.round(minutes / 6) / 10} h`;

/** Words of a student's page of due work. */
export const dueTexts = {
  title: 'Due for me',
  link: 'All that is due, with time to work on it',
  lead: 'Over all your courses. What you tick is out of the way; the days on which you mean to work on something are notes for you alone, in your own calendar too.',
  late: 'Was due',
  earlier: (n: number) => `Was due earlier: ${n}`,
  none: 'Nothing is due.',
  noneLead: 'Work that your instructors set stands here, by the day on which it is due.',
  done: (n: number) => `Done: ${n}`,
  effort: (minutes: number) => `about ${hours(minutes)}`,
  inDays: (n: number) => (n === 0 ? 'today' : n === 1 ? 'tomorrow' : `in ${n} days`),
  week: (n: number, minutes: number, unsaid: number) =>
    n === 0
      ? 'Nothing more is due this week.'
      : [
          n === 1 ? 'Left this week: 1 piece of work' : `Left this week: ${n} pieces of work`,
          minutes > 0 ? `, about ${hours(minutes)}` : '',
          minutes > 0 && unsaid > 0 ? ` and ${unsaid} without an estimate` : '',
          '.',
        ].join(''),
  planTime: 'Work on it on',
  workOn: (title: string) => `Work on: ${title}`.slice(0, 200),
  planned: (day: string) => `Work on it ${day}: noted, for you alone`,
  unplanned: (day: string) => `Not ${day} any more`,
  dayName: (title: string, day: string) => `Work on ${title}: ${day}`,
} as const;
