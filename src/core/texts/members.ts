const students = (n: number) => (n === 1 ? '1 student' : `${n} students`);

/** The roster of a course: choosing students, moving them, those who came late and those who left. */
export const memberTexts = {
  find: 'Find a student',
  order: 'Sorted by',
  orders: { family: 'Family name', name: 'Name', section: 'Section' },
  nobodyFound: 'Nobody of this name or address.',
  chosen: (n: number) =>
    n === 0 ? 'Choose students to move them, take them off or write to them.' : `${students(n)} chosen`,
  all: 'Choose all shown',
  none: 'Choose none',
  moveTo: (section: string) => `Move to ${section}`,
  takeOff: 'Take off the roster',
  letterAgain: (n: number) => (n === 1 ? 'Send the letter again' : `Send ${n} letters again`),
  sentAgain: (n: number) => (n === 1 ? 'Sent 1 letter again' : `Sent ${n} letters again`),
  noneWaits: 'All of them have come already.',
  holdNothing: (n: number) =>
    n === 1 ? 'Holds no times in this course.' : 'None of them holds times that would be given back.',
  givesBack: (n: number) => (n === 1 ? '1 taken time is given back:' : `${n} taken times are given back:`),
  confirmMove: (n: number, section: string) => `Move ${students(n)} to ${section}`,
  confirmLeave: (n: number) => `Take ${students(n)} off the roster`,
  keep: 'Leave as it is',
  lateTitle: 'Came after the term began',
  lateLead:
    'Work that was set before they came can be due later for them. They see the new date; nobody else does.',
  late: (name: string, day: string, titles: readonly string[]) =>
    `${name}, since ${day}: ${titles.length === 0 ? 'no open work from before' : titles.join(', ')}`,
  lateDays: 'Days more',
  lateGive: (n: number) => `Give ${students(n)} more time`,
  lateNothing: 'None of them has open work from before they came.',
  lateGave: (people: number, work: number) => `Gave ${students(people)} more time on ${work === 1 ? '1 piece of work' : `${work} pieces of work`}`, // prettier-ignore
  cameLate: (course: string, day: string) => `You came to ${course} on ${day}. What went before:`,
  before: 'What went before you came',
  beforeIn: (course: string) => `${course}: before you came`,
  beforeOpen: 'Still to be done',
  beforeClasses: 'Classes that took place',
  wentBefore: (classes: number, work: number) =>
    [classes === 1 ? '1 class' : `${classes} classes`, ...(work > 0 ? [work === 1 ? '1 piece of work still open' : `${work} pieces of work still open`] : [])].join(', '), // prettier-ignore
  allDone: 'Nothing from before is still to be handed in.',
  left: (course: string, day: string) =>
    `You are no longer in ${course}, since ${day}. Its dates are gone from your plan and called off in your feed; your own notes stay.`,
} as const;
