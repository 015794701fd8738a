import type { ClassNumber, Strand } from '../time/classNumber';

/** What one of a course's classes is called, and what counts apart from them: one, and several. */
const STRAND_WORDS: Readonly<Record<Strand | 'class', readonly [one: string, several: string]>> = {
  class: ['class', 'classes'],
  lab: ['lab', 'labs'],
  seminar: ['seminar', 'seminars'],
  tutorial: ['tutorial', 'tutorials'],
  workshop: ['workshop', 'workshops'],
  studio: ['studio', 'studios'],
  practical: ['practical', 'practicals'],
  rehearsal: ['rehearsal', 'rehearsals'],
  clinic: ['clinic', 'clinics'],
  week: ['week', 'weeks'],
};

const capitalized = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`;

/** Words about entries and the plan. One catalogue: no sentence a person reads stands anywhere else. */
export const entryTexts = {
  kind: {
    class: 'Class',
    closure: 'Closure',
    siteDate: 'For everyone',
    outside: 'Outside calendar',
    event: 'Event',
    announcement: 'Announcement',
    note: 'Private note',
    set: 'Set',
    due: 'Due',
    times: 'Office hours',
    booking: 'Taken time',
  },
  forSections: (title: string, names: string) => `${title} (${names})`,
  setTitle: (title: string) => `set: ${title}`,
  /** Within a sentence: `class 12`, `lab 3`. */
  classNumber: ({ ordinal, strand }: ClassNumber) => `${STRAND_WORDS[strand ?? 'class'][0]} ${ordinal}`,
  /** `26 classes`, `1 lab`. */
  classes: (n: number, strand?: Strand) => `${n} ${STRAND_WORDS[strand ?? 'class'][n === 1 ? 0 : 1]}`,
  untilDay: (day: string, last: string) => `${day} until ${last}`,
  /** Of a class that stands for its teaching week, where others have their hours. */
  wholeWeek: 'the whole week',
  strand: (strand: Strand | undefined): string => capitalized(STRAND_WORDS[strand ?? 'class'][0]),
  /** In a small box: `12`, `lab 3`. */
  classMark: (number: ClassNumber) =>
    number.strand ? entryTexts.classNumber(number) : String(number.ordinal),
  classTitle: (number: ClassNumber, section?: string) => {
    const title = capitalized(entryTexts.classNumber(number));
    return section ? `${title}, ${section}` : title;
  },
  /** A planned class of one of several sections. */
  ofSection: (title: string, section: string) => `${title}, ${section}`,
  cancelledShort: 'Cancelled',
  cancelled: (reason: string) => (reason ? `Cancelled: ${reason}` : 'Cancelled'),
  /** Of a term whose days rotate: `Thu 15 Oct · Day A`. */
  onDay: (label: string, day: string | undefined) =>
    day === undefined ? label : `${label} · ${entryTexts.dayName(day)}`,
  dayName: (day: string): string => `Day ${day}`,
  opensAt: (name: string, time: string) => `${name}, opens at ${time}`,
  openBetween: (name: string, from: string, to: string) => `${name}, open from ${from} to ${to}`,
  taughtOnline: (name: string) => `${name}, classes online`,
  online: 'Online',
  closedFrom: (name: string, time: string) => `${name}, closed from ${time}`,
  by: (time: string) => `by ${time}`,
  due: (when: string) => `due ${when}`,
  /** What is said of late work and of handing in again; `until`: when it closes, where that is after it is due. */
  lateWork: (choice: 'refused' | 'taken', until: string | undefined) =>
    choice === 'refused'
      ? 'No late work.'
      : until === undefined
        ? 'Late work is taken.'
        : `Late work is taken until ${until}.`,
  handInAgain: (may: boolean) => (may ? 'It may be handed in again.' : 'It is handed in once.'),
  /** A way into a meeting, by the name that its link was given. */
  join: (name: string) => (name ? `Join: ${name}` : 'Join'),
  release: {
    shown: 'Students see this',
    notYet: 'Not yet shown to students',
    draft: 'Draft: only staff see this',
    over: 'No longer shown to students',
  },
  students: (n: number) => (n === 1 ? '1 student' : `${n} students`),
  everyoneIn: (tag: string, n: number) => `${entryTexts.students(n)} in ${tag}`,
  groupsIn: (tag: string, names: readonly string[], n: number) =>
    `${entryTexts.students(n)} in ${names.length === 1 ? 'group' : 'groups'} ${listed(names)} of ${tag}`,
  namedIn: (tag: string, n: number) =>
    n === 1 ? `1 named student of ${tag}` : `${n} named students of ${tag}`,
  sectionsIn: (tag: string, names: readonly string[], n: number) =>
    `${entryTexts.students(n)} in ${names.length === 1 ? 'section' : 'sections'} ${listed(names)} of ${tag}`,
} as const;

/** `A`, `A and B`, `A, B and C`. */
export function listed(words: readonly string[]): string {
  if (words.length <= 1) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
