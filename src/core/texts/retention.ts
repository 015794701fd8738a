import type { RetentionClass } from '../frame/retention';
import { RETENTION } from '../frame/retention';

/** Words for how long a school keeps what it holds about people. */
export const retentionTexts = {
  title: 'How long things are kept, in days',
  lead: 'Afterwards they are forgotten by night, in the history as well. Empty: always. The suggestions are common practice; your law or your board may say otherwise.',
  classes: {
    bookings: 'Times that were taken, with their notes',
    questions: 'Questions of students, and answers',
    letters: 'Letters that were sent',
    history: 'Who did what, and undo',
    readDates: 'When somebody was shown something',
    people: 'People on no roster and no staff',
    guardians: 'Guardians’ addresses that have ended',
    recordings: 'Uploaded sound and film',
    courses: 'Archived courses',
  } satisfies Readonly<Record<RetentionClass, string>>,
  hint: (name: RetentionClass) => `Suggested: ${RETENTION[name].suggested}`,
  hold: 'Keep everything for now, because of',
  holdHint: 'A legal case, for example. While something stands here nothing is forgotten for age',
  courseRoom: 'Room for the files of one course (MB)',
  schoolRoom: 'Room for all files (MB)',
  used: (megabytes: number, of: number) =>
    `Files take ${megabytes.toLocaleString('en')} MB of ${of.toLocaleString('en')} MB.`,
  nearlyFull: (megabytes: number, of: number) =>
    `The files of this course take ${megabytes.toLocaleString('en')} MB of ${of.toLocaleString('en')} MB. The office can give it more room.`,
  courseFull: (of: number) =>
    `The files of this course have filled their ${of.toLocaleString('en')} MB. Take something away, or ask the office for more room.`,
  schoolFull: (of: number) =>
    `The files of the school have filled their ${of.toLocaleString('en')} MB. The office can give them more room.`,
} as const;
