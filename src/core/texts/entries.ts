import * as en from './compiled/en/entries';
import { extend } from './extend';
import type { ClassNumber, Strand } from '../time/classNumber';

const said = en.entryTexts;
const strandOf = (strand: Strand | undefined): string => said.strands[strand ?? 'class'];
const capitalized = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`;

/** Words about entries and the plan. */
export const entryTexts = extend(en.entryTexts, {
  /** Within a sentence: `class 12`, `lab 3`. */
  classNumber: ({ ordinal, strand }: ClassNumber) => said.numbered({ strand: strandOf(strand), ordinal }),
  /** `26 classes`, `1 lab`. */
  classes: (n: number, strand?: Strand) => said.counted[strand ?? 'class']({ n }),
  strand: (strand: Strand | undefined): string => capitalized(strandOf(strand)),
  /** In a small box: `12`, `lab 3`. */
  classMark: (number: ClassNumber) =>
    number.strand ? entryTexts.classNumber(number) : String(number.ordinal),
  classTitle: (number: ClassNumber, section?: string) => {
    const title = capitalized(entryTexts.classNumber(number));
    return section ? `${title}, ${section}` : title;
  },
  groupsIn: (tag: string, names: readonly string[], students: number) =>
    said.inGroups({ students, n: names.length, names, tag }),
  sectionsIn: (tag: string, names: readonly string[], students: number) =>
    said.inSections({ students, n: names.length, names, tag }),
});

/** `A`, `A and B`, `A, B and C`. */
export const listed = (words: readonly string[]): string => said.row({ words });
