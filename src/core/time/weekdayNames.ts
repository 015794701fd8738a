const WEEKDAYS: readonly (readonly [RegExp, number])[] = [
  [/^m(o|on|onday|ondays)?$/, 1],
  // A bare T is Tuesday, as in T/Th (common practice, no published source).
  [/^t(u|ue|ues|uesday|uesdays)?$/, 2],
  [/^w(e|ed|ednesday|ednesdays)?$/, 3],
  [/^th(u|ur|urs|ursday|ursdays)?$/, 4],
  [/^f(r|ri|riday|ridays)?$/, 5],
  [/^sa(t|turday|turdays)?$/, 6],
  [/^su(n|nday|ndays)?$/, 7],
];

/** The ISO weekday that a word names, in full or for short. */
export const weekdayNamed = (word: string): number | undefined =>
  WEEKDAYS.find(([pattern]) => pattern.test(word.toLowerCase()))?.[1];
