import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the checks: why something is questionable, and what puts it right. */
export const checkTexts = {
  title: 'Checks',
  lead: 'What looks questionable in the plan. Put it right, or say why it is meant.',
  none: 'Nothing looks questionable.',
  count: (n: number) => (n === 1 ? '1 thing to look at' : `${n} things to look at`),
  badge: (n: number) => `Checks ${n}`,
  dismiss: 'This is intended',
  dismissThis: (title: string) => `This is intended: ${title}`,
  reason: 'Why, if you like',
  dismissNow: 'Hide it until it changes',
  dismissed: 'Left out',
  dismissedLead: 'They come back when the entry changes.',
  dismissedBy: (name: string, reason: string) => (reason ? `${name}: ${reason}` : name),
  back: 'Check it again',
  did: (title: string) => `Put right: ${title}`,
  leftOut: (title: string) => `Left out: ${title}`,
  backAgain: (title: string) => `Checked again: ${title}`,
  inPanel: 'Checks',
  classOf: (tag: string, number: ClassNumber) => `${tag}, ${entryTexts.classNumber(number)}`,

  outletEmpty:
    'It is published, and holds nothing: no course, kind or section that is ticked has anything to show.',
  outletLacks: (kinds: string) =>
    `It is ticked for ${kinds.toLowerCase()}, and holds none: those there are are for others than its readers.`,
  outletOver: 'All its courses are over or archived. Its address can go on with next term’s course.',
  sectionsPublic: 'Anyone with its address can read what is for single sections.',
  filesAdded: (names: readonly string[]) =>
    `Since it was composed, anyone with its address can open ${names.length === 1 ? `one more file: ${names[0]}` : `${names.length} more files: ${names.join(', ')}`}. Saving it again says that this is meant.`,
  changeOutlet: 'Change what is in it',
  courseUnpublished: 'It is in no feed and no embed: students see it in Pembit alone.',
  publishIt: 'Publish it',
  calendarFails: 'Its source has not answered for a day or longer. What is shown may be old.',
  lookAtCalendar: 'Look at it',
  outsideCloses: (calendar: string, day: string, classes: number) =>
    `${calendar} says so of ${day}, and ${classes === 1 ? 'a class takes' : `${classes} classes take`} place here.`,
  closeIt: 'See what closing that day does',

  dueAtMidnight: 'It is due at 00:00, when the day begins. Mostly the end of the day before is meant.',
  beforeMidnight: 'Make it 23:59 the day before',
  onClosure: (name: string) => `It falls on a day without classes: ${name}.`,
  onWeekend: 'It falls on a Saturday or Sunday, and the course has no class then.',
  outsideTerm: (term: string) => `It lies outside the term ${term}.`,
  endsBeforeStart: 'It ends before it starts.',
  pastMidnight: 'It runs past midnight, into another day.',
  closesBefore: 'It closes before it is due.',
  opensAfter: 'It opens after it is due.',
  shownTooLate: 'Students see it only when it is over.',
  setAfterDue: 'It is set after it is due.',
  extendedEarlier: (n: number) =>
    n === 1
      ? 'The extended date of 1 student lies before everybody’s.'
      : `The extended dates of ${n} students lie before everybody’s.`,
  hiddenSoon: 'It is due within a week, and students do not see it.',
  twoExams: (title: string, students: number) =>
    `${title} is on the same day, for ${students === 1 ? '1 student' : `${students} students`} in both.`,
  severalDue: (title: string, students: number) =>
    `${title} is due on the same day, for ${students === 1 ? '1 student' : `${students} students`} in both.`,
  overlap: (title: string, students: number) =>
    `${title} is at the same time, for ${students === 1 ? '1 student' : `${students} students`} in both.`,
  manyOverlap: (n: number) =>
    `Of the ${n} events of this day, more than three pairs are at the same time for the same students, this one among them.`,
  manyDue: (n: number) =>
    `Of the ${n} pieces of work due on this day, more than three pairs are for the same students, this one among them.`,
  manyExams: (n: number) =>
    `Of the ${n} examinations of this day, more than three pairs are for the same students, this one among them.`,
  roomClash: (place: string, tag: string, when: string) =>
    `${place} is taken then by the class of ${tag}, ${when}.`,
  chooseRoom: 'Choose another room',
  duringClass: (tag: string, when: string) => `It is during the class of ${tag}, ${when}.`,
  wrongCourse: (tag: string) => `Its title names ${tag}, and it is not for that course.`,
  sameTitle: (day: string) => `An entry of the same title is in the same week, on ${day}.`,
  dateInText: (said: string, day: string) => `Its text says “${said}”, and it is on ${day}.`,
  weekdayOff: (said: string) => `Its text says “${said}”, and that is another weekday.`,
  clocks: {
    skipped: (time: string) => `The clocks skip ${time} on that day.`,
    repeated: (time: string) => `The clocks show ${time} twice on that day.`,
  },
  noPlan: 'It is within a week, and nothing is planned for it.',
  noSuchClass: (number: ClassNumber) =>
    `It follows ${entryTexts.classNumber(number)}, which is not there any more.`,

  moveTo: (day: string) => `Move it to ${day}`,
  chooseDay: 'Choose another day',
  chooseTime: 'Choose another time',
  chooseEnd: 'Choose another end',
  chooseCourse: 'Look who it is for',
  sameDay: (range: string) => `Make it ${range}`,
  closeLater: (days: number) => (days === 1 ? 'Close it a day later' : `Close it ${days} days later`),
  openEarlier: (days: number) => (days === 1 ? 'Open it a day earlier' : `Open it ${days} days earlier`),
  showNow: 'Show it to students now',
  setWeekBefore: 'Set it a week before it is due',
  look: 'Look at it',
  mendText: 'Mend the text',
  atTime: (time: string) => `Make it ${time}`,
  planIt: 'Plan it',
} as const;
