/** What a course has beside its classes; each counts by itself (common practice, no published source). */
export const STRANDS = [
  'lab',
  'seminar',
  'tutorial',
  'workshop',
  'studio',
  'practical',
  'rehearsal',
  'clinic',
] as const;
/** What a section that never meets is planned by: its teaching weeks, by their numbers. */
const WEEK = 'week';
export const ALL_STRANDS = [...STRANDS, WEEK] as const;
export type Strand = (typeof ALL_STRANDS)[number];

/** Which class of a section one is: its twelfth class, or its third lab. Counted from 1. */
export type ClassNumber = Readonly<{
  ordinal: number;
  /** Absent: one of the course's classes. */
  strand?: Strand;
}>;

export const sameNumber = (a: ClassNumber | undefined, b: ClassNumber | undefined): boolean =>
  a?.ordinal === b?.ordinal && a?.strand === b?.strand;

/** The one of a number among a section's classes. */
export const classOf = <M extends ClassNumber>(meetings: readonly M[], number: ClassNumber): M | undefined =>
  meetings.find((meeting) => sameNumber(meeting, number));

/** A number without anything else that whoever bears it knows. */
export const numberOf = ({ ordinal, strand }: ClassNumber): ClassNumber =>
  strand === undefined ? { ordinal } : { ordinal, strand };

/** A strand by a word that names it, in the singular or plural. */
export const strandNamed = (word: string): Strand | undefined => {
  const name = word.toLowerCase().replace(/s$/, '');
  return STRANDS.find((strand) => strand === name);
};

/** The highest number among a course's classes, or those of a strand; 0 where there is none. */
export const lastOrdinal = (
  { sections }: Readonly<{ sections: readonly Readonly<{ meetings: readonly ClassNumber[] }>[] }>,
  strand?: Strand,
): number =>
  Math.max(
    0,
    ...sections.flatMap(({ meetings }) => meetings.filter((m) => m.strand === strand).map((m) => m.ordinal)),
  );

/** As it is typed: `12`, `class 12`, `lab 3`. Undefined for what is no number of a class. */
export function readClassNumber(text: string): ClassNumber | undefined {
  const [, word = 'class', digits] = /^\s*(?:(\p{L}+)\s*)?(\d{1,3})\s*$/u.exec(text) ?? [];
  const strand = /^weeks?$/i.test(word) ? WEEK : strandNamed(word);
  const ordinal = Number(digits ?? 0);
  if (ordinal < 1 || (!strand && !/^class(?:es)?$/i.test(word))) return undefined;
  return numberOf({ ordinal, strand });
}
