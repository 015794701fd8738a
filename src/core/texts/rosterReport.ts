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

const counted = ({ added, changed, off, absent }: Counts): string =>
  [
    added > 0 ? `${added} new` : '',
    changed > 0 ? `${changed} changed` : '',
    off > 0 ? `${off} gone` : '',
    absent > 0 ? `${absent} missing, still there` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** Why nothing of a course was taken over. */
export const heldLine = ({ code, known, gone }: Report['held'][number]): string =>
  `${code}: ${gone} of ${known} would be gone. Nothing was changed: somebody should look first.`;

/** What a reading did, a sentence a line; how many, nobody by name. */
export function reportLines({ courses, held, unclear, faults, failure }: Report): string[] {
  if (failure) return [failure];
  const moved = courses.filter((course) => counted(course) !== '');
  const same = courses.length - moved.length;
  return [
    ...moved.map((course) => `${course.code}: ${counted(course)}.`),
    ...(same > 0 ? [same === 1 ? '1 course is as its list says.' : `${same} courses are as their lists say.`] : []),
    ...held.map(heldLine),
    ...unclear.map((code) => `${code}: more than one running course is called so. Bring its list in by hand.`),
    ...faults,
    ...(courses.length + held.length + unclear.length === 0 ? ['The lists name none of the running courses.'] : []),
  ];
} // prettier-ignore
