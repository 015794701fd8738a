import { Temporal } from 'temporal-polyfill';
import type { PatternClass } from '@/core/time/pattern';
import type { CourseColor } from '@/core/plan/plan';
import type { CourseId, SectionId } from '@/core/ids';
import { demoId } from './demoIds';
import type { DemoPerson } from './people';
import { GRETE, MAREN, STUDENTS, TOBIAS } from './people';

type DemoSection = Readonly<{
  id: SectionId;
  name: string;
  students: readonly DemoPerson[];
  classes: readonly PatternClass[];
}>;
export type DemoCourse = Readonly<{
  id: CourseId;
  code: string;
  title: string;
  tag: string;
  color: CourseColor;
  instructor: DemoPerson;
  coInstructor?: DemoPerson;
  place: string;
  credits: number;
  sharesTitles?: true;
  themes: readonly string[];
  groups?: Readonly<Record<string, readonly DemoPerson[]>>;
  sections: readonly DemoSection[];
}>;

const students = (from: number, to: number) => STUDENTS.slice(from, to);

const course = (
  code: string,
  facts: Omit<DemoCourse, 'id' | 'code' | 'sections'>,
  sections: Readonly<Record<string, readonly [readonly DemoPerson[], string]>>,
): DemoCourse => ({
  id: demoId<CourseId>(code),
  code,
  ...facts,
  sections: Object.entries(sections).map(([name, [students, week]]) => ({
    id: demoId<SectionId>(`${code} ${name}`),
    name,
    students,
    classes: classesOf(week),
  })),
});

/** `2 10:00-11:50, 4 10:00-11:50`: Tuesdays and Thursdays at ten. */
const classesOf = (week: string): PatternClass[] =>
  week.split(', ').map((text) => {
    const [, weekday = '', start = '', end = ''] = /^(\d) ([\d:]+)-([\d:]+)$/.exec(text) ?? [];
    return {
      weekday: Number(weekday),
      start: Temporal.PlainTime.from(start),
      end: Temporal.PlainTime.from(end),
    };
  });

export const HL = course(
  'HL 210',
  {
    title: 'Hull lofting',
    tag: 'HL',
    color: 'brick',
    instructor: MAREN,
    coInstructor: TOBIAS,
    place: 'The loft',
    credits: 4,
    themes: [
      'Lines and offsets', 'Body plan', 'Fairing', 'Half-breadths', 'Half-breadths II', 'Bevels', 'Moulds', 'Moulds II',
      'Backbone', 'Reading week', 'Planking', 'Planking II', 'Planking III', 'Reviews', 'Examinations',
    ], // prettier-ignore
    groups: { 'Half-model team': students(0, 6) },
  },
  {
    A: [students(0, 20), '2 10:00-11:50, 4 10:00-11:50'],
    B: [students(20, 38), '2 14:00-15:50, 4 14:00-15:50'],
  },
);
export const NV = course(
  'NV 140',
  {
    title: 'Coastal navigation',
    tag: 'NV',
    color: 'sea',
    instructor: MAREN,
    coInstructor: TOBIAS,
    place: 'Chart room',
    credits: 3,
    themes: [
      'Charts',
      'Leeway',
      'Bearings',
      'Currents',
      'Tides I',
      'Tides II',
      'Pilotage',
      'Lights',
      'Passages',
    ],
  },
  { A: [[...students(0, 12), ...students(38, 52)], '1 09:00-10:15, 5 09:00-10:15'] },
);
export const SR = course(
  'SR 120',
  {
    title: 'Sail and rig',
    tag: 'SR',
    color: 'plum',
    instructor: TOBIAS,
    place: 'Sail loft',
    credits: 3,
    sharesTitles: true,
    themes: [],
  },
  {
    A: [[...students(0, 1), ...students(52, 66)], '3 13:00-14:30, 5 13:00-14:30'],
    B: [students(66, 78), '1 13:00-14:30, 3 15:00-16:30'],
  },
);
export const BM = course(
  'BM 305',
  {
    title: 'Boatyard management',
    tag: 'BM',
    color: 'olive',
    instructor: GRETE,
    place: 'Room 4',
    credits: 3,
    themes: [],
  },
  { A: [students(66, 90), '4 09:00-11:30'] },
);

export const COURSES: readonly DemoCourse[] = [HL, NV, SR, BM];
