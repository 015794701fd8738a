import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of the quick line: what it understood, what it asks. */
export const quickTexts = {
  finds: 'On the plan',
  closedThen: (name: string) => `There are no classes that day: ${name}.`,
  findsNothing: 'Nothing on the plan has these words in its title.',
  save: (title: string) => `Add ${title}`,
  kind: 'Kind',
  kinds: { event: 'event', assignment: 'assignment', announcement: 'announcement', note: 'private note' },
  title: 'Title',
  place: 'Place',
  link: 'Link',
  shown: 'Shown',
  asDraft: 'draft: only staff see it',
  course: 'Course',
  section: 'Section',
  day: 'Day',
  lastDay: 'Last day',
  time: 'Time',
  duration: 'Lasts',
  repeats: 'Repeats',
  until: 'Until',
  fields: { setOn: 'Set', opens: 'Opens', due: 'Due', closes: 'Closes' },
  courseName: (code: string, title: string) => `${code} ${title}`,
  courseWords: (code: string, title: string, sections: readonly string[]) =>
    sections.length > 0 ? `${code} ${title}, section ${sections.join(' and ')}` : `${code} ${title}`,
  classWords: (number: ClassNumber, edge: 'start' | 'end') => `${edge} of ${entryTexts.classNumber(number)}`,
  endOfWeek: (week: number) => `the end of week ${week}`,
  times: (n: number) => (n === 1 ? 'once' : `${n} times`),
  minutes: (n: number) => `${n} minutes`,
  every: (unit: 'days' | 'weeks', every: number, weekdays: readonly string[]) => {
    const one = unit === 'days' ? 'day' : 'week';
    const often = every === 1 ? `every ${one}` : `every ${every} ${unit}`;
    return weekdays.length > 0 ? `${often} on ${weekdays.join(' and ')}` : often;
  },
  noSuchDate: (text: string) => `There is no day “${text.trim()}”. Type another date.`,
  noSuchWeek: (week: number, last: number) => `The term has ${last} weeks; there is no week ${week}.`,
  whichDay: (week: number) => `Which day of week ${week}?`,
  whichOf: (text: string) => `Which day is “${text.trim()}”?`,
  weekdayOff: (text: string) => `“${text.trim()}” is another weekday. Which day?`,
  whichTime: (text: string) => `When is “${text.trim()}”?`,
  timeOrTitle: (text: string) =>
    `Is “${text.trim()}” a time? If it belongs to the title, put the title in quotation marks.`,
  backwards: (text: string) => `“${text.trim()}” ends before it begins. Type the later time second.`,
  whichCourse: (tag: string) => `Which course is ${tag}?`,
  noSuchSection: (code: string, text: string) => `${code} has no section ${text}. Which one?`,
  classOfWhich: 'A class of which course?',
  noSuchClass: (code: string, number: ClassNumber, last: number) =>
    `${code} has ${entryTexts.classes(last, number.strand)}; there is no ${entryTexts.classNumber(number)}.`,
  noClassLeft: (code: string) => `${code} has no such class.`,
  noLandmark: (text: string, code: string) => `Nothing on the plan of ${code} is called “${text}”.`,
  whichLandmark: (name: string) => `Which “${name}”?`,
  classFound: (name: string, day: string) => `${name}, ${day}`,
  landmark: (title: string, day: string) => `${title}, ${day}`,
  twoDates: 'There are two days. What is the second one?',
  asDue: (text: string) => `It is due: ${text.trim()}`,
  asTitle: (text: string) => `Leave “${text.trim()}” out`,
  noTitle: 'What is it called?',
  noCourse: 'For which course?',
  noDue: 'When is it due?',
  noDay: 'On which day?',
  lastBefore: 'The last day lies before the first one. Type a later day.',
  pastMidnight: 'It would end on the next day. Type an end on the same day, or two days.',
  announcementTime: 'An announcement has a day and no time. Leave the time out.',
} as const;
