import * as en from './compiled/en/entries';
import { extend } from './extend';
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
export const entryTexts = extend(en.entryTexts, {
  /** Within a sentence: `class 12`, `lab 3`. */
  classNumber: ({ ordinal, strand }: ClassNumber) => `${STRAND_WORDS[strand ?? 'class'][0]} ${ordinal}`,
  /** `26 classes`, `1 lab`. */
  classes: (n: number, strand?: Strand) => `${n} ${STRAND_WORDS[strand ?? 'class'][n === 1 ? 0 : 1]}`,
  strand: (strand: Strand | undefined): string => capitalized(STRAND_WORDS[strand ?? 'class'][0]),
  /** In a small box: `12`, `lab 3`. */
  classMark: (number: ClassNumber) =>
    number.strand ? entryTexts.classNumber(number) : String(number.ordinal),
  classTitle: (number: ClassNumber, section?: string) => {
    const title = capitalized(entryTexts.classNumber(number));
    return section ? `${title}, ${section}` : title;
  },
  groupsIn: (tag: string, names: readonly string[], n: number) =>
    `${entryTexts.students({ n })} in ${names.length === 1 ? 'group' : 'groups'} ${listed(names)} of ${tag}`,
  sectionsIn: (tag: string, names: readonly string[], n: number) =>
    `${entryTexts.students({ n })} in ${names.length === 1 ? 'section' : 'sections'} ${listed(names)} of ${tag}`,
});

/** `A`, `A and B`, `A, B and C`. */
export function listed(words: readonly string[]): string {
  if (words.length <= 1) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
