const counted = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** Merging a section into another of its course. */
export const mergeTexts = {
  open: 'Merge this section into another',
  into: 'Into section',
  look: 'Show what that does',
  students: (n: number, into: string) => `${counted(n, 'student goes', 'students go')} to section ${into}.`,
  classes: (n: number, from: string) => `${counted(n, 'class', 'classes')} of section ${from} ${n === 1 ? 'is' : 'are'} gone.`,
  waiting: (titles: readonly string[], into: string) => `Planned in this section alone; waits for a class of section ${into}: ${titles.join(', ')}.`,
  entries: (titles: readonly string[], into: string) => `For this section alone; all of section ${into} see it then: ${titles.join(', ')}.`,
  sheets: (titles: readonly string[], taken: number) => `Sign-up sheets that go over, with ${counted(taken, 'taken time', 'taken times')}: ${titles.join(', ')}.`,
  outlets: (names: readonly string[], into: string) => `Published, and shows section ${into} from then on: ${names.join(', ')}.`,
  act: (from: string, into: string) => `Merge ${from} into ${into}`,
} as const; // prettier-ignore
