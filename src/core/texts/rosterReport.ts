type Counts = Readonly<{ code: string; added: number; changed: number; off: number; absent: number }>;
type Report = Readonly<{
  courses: readonly Counts[];
  held: readonly Readonly<{ id: string; code: string; known: number; gone: number }>[];
  unclear: readonly string[];
  faults: readonly string[];
  failure?: string;
}>;

/** Words of what a reading of the school's lists did. */
export const rosterReportTexts = {
  title: 'Read each night',
  lead: 'Students are added and change sections as the school’s lists say. Who is missing from them stays for 48 hours, then their times are given back.',
  noFolder:
    'No lists are read by themselves. The operator names a folder or the school’s system, or reads a folder with: npm run roster -- FOLDER',
  none: 'Nothing has been read yet.',
  readNow: 'Read the lists now',
  read: 'The lists were read',
  evenOf: (code: string) => `Take over the list of ${code} all the same`,
  earlier: 'Earlier readings',
} as const;

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
