/**
 * How a name is put in an alphabetical list: by its last word, then the others; "Osprey, Fen" as it stands (common practice,
 * no published source: which words of a name are the family's, only its bearer knows).
 */
export const familyKey = (name: string): string => {
  const words = name.trim().split(/\s+/);
  if (name.includes(',') || words.length < 2) return name.trim();
  return [words.at(-1), ...words.slice(0, -1)].join(' ');
};

/** Compares names by family name, as the language sorts. */
export const byFamilyName = (locale: string): ((a: string, b: string) => number) => {
  const { compare } = new Intl.Collator(locale);
  return (a, b) => compare(familyKey(a), familyKey(b));
};
