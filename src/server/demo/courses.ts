import type { CourseColor } from '@/core/plan/plan';
import type { CourseId, SectionId } from '@/core/ids';
import { demoId } from './demoIds';
import type { DemoPerson } from './people';
import { GRETE, MAREN, STUDENTS, TOBIAS } from './people';

type DemoSection = Readonly<{ id: SectionId; name: string; students: readonly DemoPerson[] }>;
export type DemoCourse = Readonly<{
  id: CourseId;
  code: string;
  title: string;
  tag: string;
  color: CourseColor;
  instructor: DemoPerson;
  coInstructor?: DemoPerson;
  sections: readonly DemoSection[];
}>;

const course = (
  code: string,
  facts: Omit<DemoCourse, 'id' | 'code' | 'sections'>,
  sections: Readonly<Record<string, readonly DemoPerson[]>>,
): DemoCourse => ({
  id: demoId<CourseId>(code),
  code,
  ...facts,
  sections: Object.entries(sections).map(([name, students]) => ({
    id: demoId<SectionId>(`${code} ${name}`),
    name,
    students,
  })),
});

const students = (from: number, to: number) => STUDENTS.slice(from, to);

export const HL = course(
  'HL 210',
  { title: 'Hull lofting', tag: 'HL', color: 'brick', instructor: MAREN, coInstructor: TOBIAS },
  { A: students(0, 20), B: students(20, 38) },
);
export const NV = course(
  'NV 140',
  { title: 'Coastal navigation', tag: 'NV', color: 'sea', instructor: MAREN },
  { A: [...students(0, 12), ...students(38, 52)] },
);
export const SR = course(
  'SR 120',
  { title: 'Sail and rig', tag: 'SR', color: 'plum', instructor: TOBIAS },
  { A: [...students(0, 1), ...students(52, 66)], B: students(66, 78) },
);
export const BM = course(
  'BM 305',
  { title: 'Boatyard management', tag: 'BM', color: 'olive', instructor: GRETE },
  { A: students(66, 90) },
);

export const COURSES: readonly DemoCourse[] = [HL, NV, SR, BM];
