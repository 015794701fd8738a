import * as en from './compiled/en/school';
import { extend } from './extend';
import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';
import { commas } from './formats';
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

const said = en.schoolTexts;

export const schoolTexts = extend(en.schoolTexts, {
  effects: ({ classesAdded, classesLost, entriesKept, timesKept, outside }: TermEffectNumbers) => [
    ...(classesAdded > 0 ? [said.effectsOf.classesAdded({ n: classesAdded })] : []),
    ...(classesLost > 0 ? [said.effectsOf.classesLost({ n: classesLost })] : []),
    ...(entriesKept > 0 ? [said.effectsOf.kept({ entries: entriesKept, times: timesKept })] : []),
    ...(outside > 0 ? [said.effectsOf.outside({ n: outside })] : []),
  ],
  letterState: (state: 'queued' | 'sent' | 'failed', attempts: number, error: string | null) =>
    state === 'sent' ? said.letterStates.sent : said.letterStates[state]({ attempts, error: error ?? '' }),
  termContents: ({ courses, closures, siteDates, calendars, ...inCourses }: TermNumbers) =>
    commas([
      courses === 0
        ? said.noCourse
        : said.coursesWith({ n: courses, contents: en.courseTexts.contents(inCourses) }),
      ...(closures > 0 ? [said.countedClosures({ n: closures })] : []),
      ...(siteDates > 0 ? [said.countedSiteDates({ n: siteDates })] : []),
      ...(calendars > 0 ? [said.countedCalendars({ n: calendars })] : []),
    ]),
  weekdays: Object.values(said.weekdayNames),
  removed: { closure: frameHistoryTexts.opened, siteDate: frameHistoryTexts.removedDate },
  hits: (numbers: ClosureNumbers) =>
    commas(
      (['meetings', 'moving', 'plans', 'due', 'taken', 'free', 'events'] as const)
        .filter((what) => numbers[what] > 0)
        .map((what) => said.hitsOf[what]({ n: numbers[what] })),
    ),
  courseLine: (instructor: string, sections: number, classes: number, students: string) =>
    [instructor, said.countedSections({ n: sections }), said.countedClasses({ n: classes }), students]
      .filter(Boolean)
      .join(' · '),
});

export const courseTexts = extend(en.courseTexts, {
  takeAwayClass: (number: ClassNumber) =>
    en.courseTexts.takeAwayClass({ number: entryTexts.classNumber(number) }),
  changeClass: (number: ClassNumber) =>
    en.courseTexts.changeClass({ number: entryTexts.classNumber(number) }),
});

export const joinTexts = en.joinTexts;
