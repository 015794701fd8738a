const of = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** Words about what falls due for the same students. */
export const loadTexts = {
  title: 'Load',
  lead: 'What the students of this course have due, over all their courses. Work of others counts once students see it, and for no fewer than five students; its title stands where its course shares it.',
  course: 'Course',
  alarm: 'Too much on one day',
  alarmOption: (n: number) => (n === 1 ? '1 thing due' : `${n} things due, or more`),
  examsTwice: 'An exam counts twice.',
  show: 'Show',
  gridTitle: 'Day by day',
  onDay: (students: number) => `${students} have work due`,
  week: 'Week',
  due: (n: number) => `${n} due`,
  cell: (
    day: string,
    own: readonly string[],
    others: number,
    titles: readonly string[],
    concerned: number,
    students: number,
    alarmed: number,
  ) =>
    [
      `${day}: ${own.length + others === 0 ? 'nothing due' : of(own.length + others, 'thing due', 'things due')}`,
      own.length > 0 ? own.join(', ') : '',
      others > 0 ? `${others} of other courses${titles.length > 0 ? ` (${titles.join(', ')})` : ''}` : '',
      concerned > 0 ? `${concerned} of ${of(students, 'student', 'students')} have something` : '',
      alarmed > 0 ? `${alarmed} have too much` : '',
    ]
      .filter(Boolean)
      .join('; '),
  legend:
    'The fuller a day, the more of the students have something due; the number in amber is how many have too much.',
  hoursTitle: 'Hours in a week',
  hoursLead:
    'For one student, on average. Work is spread evenly from the day it is given out to the day it is due; work without an effort counts no hours.',
  class: 'Class',
  work: 'Work for this course',
  others: 'Work for other courses',
  expected: 'Expected',
  expectedFrom: (credits: number, hours: string) =>
    `Expected: ${hours} h a week, from ${of(credits, 'credit', 'credits')} (an hour of class and at least two out of class for each, 34 CFR 600.2).`,
  expectedOwn: (hours: string) => `Expected: ${hours} h a week, as the course’s page says.`,
  noCredits: 'Say on the course’s page how many credits or hours it has, and what is expected stands beside.',
  noEffort: (n: number) =>
    `${of(n, 'piece of work says', 'pieces of work say')} no effort, and ${n === 1 ? 'counts' : 'count'} no hours here.`,
  chart: 'Hours in each week, as in the table below',
  table: 'The same figures as a table',
  csv: 'The same figures as CSV',
  hours: (minutes: number) => (minutes / 60).toFixed(1),
  spreadTitle: 'Spread the work over the term',
  spreadLead:
    'Pembit looks for days on which these students have least, as evenly as that allows. Nothing moves before you take it.',
  which: 'Which of it',
  earliest: 'First due on',
  latest: 'Last due on',
  gap: 'Days from one to the next, at least',
  weekday: 'Weekday',
  anyWeekday: 'any',
  propose: 'Propose days',
  score: (now: number, then: number) =>
    `On these days ${of(then, 'student would have', 'students would have')} too much; on the days as they are, ${now}.`,
  move: (title: string) => `Move ${title}`,
  stays: 'stays',
  elseDue: (n: number) =>
    n === 0 ? 'nobody has anything else' : `${of(n, 'student has', 'students have')} something else`,
  take: (n: number) => `Move ${n}`,
  nothingToSpread: 'Nothing of this course is still to come due.',
  moved: (n: number) => `Moved ${of(n, 'due date', 'due dates')}`,
  day: (concerned: number, students: number, alarmed: number) =>
    concerned === 0
      ? `Nobody of the ${students} has anything else due that day.`
      : `${concerned} of ${of(students, 'student', 'students')} have something else due that day${alarmed > 0 ? `; ${alarmed} would have too much` : ''}.`,
  better: 'Better days near it:',
  betterDay: (day: string, concerned: number) => `${day} (${concerned === 0 ? 'nobody' : concerned})`,
  noCourse: 'Load shows what your students have due once you teach a course.',
  errors: {
    entries: 'Choose what to spread.',
    gap: 'Type a number of days.',
    noRoom: (n: number) =>
      `There is no room for ${n} in this time: choose a longer one, fewer days between, or any weekday.`,
  },
} as const;
