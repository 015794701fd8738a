import * as en from './compiled/en/rosterReport';
type Counts = Readonly<{ code: string; added: number; changed: number; off: number; absent: number }>;
type Report = Readonly<{
  courses: readonly Counts[];
  held: readonly Readonly<{ id: string; code: string; known: number; gone: number }>[];
  unclear: readonly string[];
  faults: readonly string[];
  failure?: string;
}>;

/** Words of what a reading of the school's lists did. */
export const rosterReportTexts = en.rosterReportTexts;

const said = en.rosterReportTexts;

const counted = (counts: Counts): string[] =>
  (['added', 'changed', 'off', 'absent'] as const)
    .filter((what) => counts[what] > 0)
    .map((what) => said.counted[what]({ n: counts[what] }));

/** Why nothing of a course was taken over. */
export const heldLine = (held: Report['held'][number]): string => said.held(held);

/** What a reading did, a sentence a line; how many, nobody by name. */
export function reportLines({ courses, held, unclear, faults, failure }: Report): string[] {
  if (failure) return [failure];
  const moved = courses.filter((course) => counted(course).length > 0);
  const same = courses.length - moved.length;
  return [
    ...moved.map((course) => said.did({ code: course.code, what: counted(course) })),
    ...(same > 0 ? [said.same({ n: same })] : []),
    ...held.map(heldLine),
    ...unclear.map((code) => said.unclear({ code })),
    ...faults,
    ...(courses.length + held.length + unclear.length === 0 ? [said.noCourse] : []),
  ];
}
