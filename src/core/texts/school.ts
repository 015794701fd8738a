import * as en from './compiled/en/school';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';
import { frameHistoryTexts } from './frameHistory';

/** Words of the first run, the school's page and a course's page. */
export const setupTexts = en.setupTexts;

type TermEffectNumbers = Readonly<{
  classesAdded: number;
  classesLost: number;
  entriesKept: number;
  timesKept: number;
  outside: number;
}>;
type ClosureNumbers = Readonly<
  Record<'meetings' | 'moving' | 'plans' | 'due' | 'taken' | 'free' | 'events', number>
>;
type ContentNumbers = Readonly<{ entries: number; sheets: number; bookings: number; students: number }>;
type TermNumbers = ContentNumbers &
  Readonly<{ courses: number; closures: number; siteDates: number; calendars: number }>;

const courseContents = ({ entries, sheets, bookings, students }: ContentNumbers): string =>
  [
    entries === 1 ? '1 entry' : `${entries} entries`,
    sheets === 1 ? '1 sign-up sheet' : `${sheets} sign-up sheets`,
    bookings === 1 ? '1 taken time' : `${bookings} taken times`,
    `the roster of ${students === 1 ? '1 student' : `${students} students`}`,
  ].join(', ');

export const schoolTexts = extend(en.schoolTexts, {
  effects: ({ classesAdded, classesLost, entriesKept, timesKept, outside }: TermEffectNumbers) =>
    [
      classesAdded > 0 ? `${classesAdded} classes are added.` : '',
      classesLost > 0 ? `${classesLost} classes fall away.` : '',
      entriesKept > 0
        ? `${entriesKept} entries and ${timesKept} office-hour times keep what the clock shows; only the zone around them changes.`
        : '',
      outside > 0 ? `${outside} entries lie outside the term.` : '',
    ].filter(Boolean),
  letterState: (state: 'queued' | 'sent' | 'failed', attempts: number, error: string | null) =>
    ({
      sent: 'sent',
      queued: attempts === 0 ? 'waiting to be sent' : `waiting after ${attempts} attempts: ${error ?? ''}`,
      failed: `given up after ${attempts} attempts: ${error ?? ''}`,
    })[state],
  termContents: ({ courses, closures, siteDates, calendars, ...inCourses }: TermNumbers) =>
    [
      courses === 0
        ? 'no course'
        : `${courses === 1 ? '1 course' : `${courses} courses`} with ${courseContents(inCourses)}`,
      ...(closures > 0 ? [closures === 1 ? '1 closure' : `${closures} closures`] : []),
      ...(siteDates > 0 ? [siteDates === 1 ? '1 date for everyone' : `${siteDates} dates for everyone`] : []),
      ...(calendars > 0 ? [calendars === 1 ? '1 outside calendar' : `${calendars} outside calendars`] : []),
    ].join(', '),
  weekdays: ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'],
  removed: { closure: frameHistoryTexts.opened, siteDate: frameHistoryTexts.removedDate },
  hits: ({ meetings, moving, plans, due, taken, free, events }: ClosureNumbers) =>
    [
      meetings > 0 ? (meetings === 1 ? '1 class falls away' : `${meetings} classes fall away`) : '',
      moving > 0
        ? moving === 1
          ? '1 class of a rotating day moves'
          : `${moving} classes of rotating days move`
        : '',
      plans > 0 ? (plans === 1 ? '1 plan loses its class' : `${plans} plans lose their class`) : '',
      due > 0 ? (due === 1 ? '1 piece of work is due then' : `${due} pieces of work are due then`) : '',
      taken > 0 ? (taken === 1 ? '1 time is taken then' : `${taken} times are taken then`) : '',
      free > 0 ? (free === 1 ? '1 time is offered then' : `${free} times are offered then`) : '',
      events > 0 ? (events === 1 ? '1 event begins then' : `${events} events begin then`) : '',
    ]
      .filter(Boolean)
      .join(', '),
  courseLine: (instructor: string, sections: number, classes: number, students: string) =>
    [instructor, sections === 1 ? '1 section' : `${sections} sections`, `${classes} classes`, students]
      .filter(Boolean)
      .join(' · '),
});

export const courseTexts = extend(en.courseTexts, {
  takeAwayClass: (number: ClassNumber) => `Take ${entryTexts.classNumber(number)} away`,
  changeClass: (number: ClassNumber) => `Change ${entryTexts.classNumber(number)}`,
  report: (added: number, known: number, wrong: number) =>
    [
      `${added} to add`,
      known > 0 ? `${known} on the roster already` : '',
      wrong > 0 ? `${wrong} that cannot be read` : '',
    ]
      .filter(Boolean)
      .join(', '),
  contents: courseContents,
});

export const joinTexts = en.joinTexts;
