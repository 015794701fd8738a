/** More time for all work of a course. */
export const arrangeTexts = {
  title: 'More time',
  lead: 'So many days more for all work of this course, what is planned later included. Only the student and the staff see it; why is not kept.',
  student: 'Student',
  days: 'Days more',
  add: 'Give more time',
  end: 'End it',
  line: (name: string, days: number) => `${name}: ${days === 1 ? '1 day' : `${days} days`} more`,
  endFor: (name: string) => `End the more time of ${name}`,
  arranged: (name: string, days: number) => `${name} has ${days === 1 ? '1 day' : `${days} days`} more`,
  ended: (name: string) => `${name} has no more time than others`,
  errors: { days: 'Type a whole number of days, 1 to 60.', person: 'Choose a student of this course.' },
} as const;
