/** What the compiled messages call: how a language tells one from several, and how texts are put in a row. */

const rules = (language: string) => {
  const cardinal = new Intl.PluralRules(language);
  const ordinal = new Intl.PluralRules(language, { type: 'ordinal' });
  return (n: number, isOrdinal?: boolean) => (isOrdinal ? ordinal : cardinal).select(n);
};

export const en = rules('en');
export const fr = rules('fr');

/** Which case of a `select` with `none` holds. */
export const given = (value: unknown): 'none' | 'other' =>
  value === undefined || value === '' || (Array.isArray(value) && value.length === 0) ? 'none' : 'other';

const conjunctions = new Map<string, Intl.ListFormat>();

/** `A`, `A and B`, `A, B and C`. */
export function list(words: readonly string[], language: string): string {
  let format = conjunctions.get(language);
  if (!format)
    conjunctions.set(language, (format = new Intl.ListFormat(language === 'en' ? 'en-GB' : language)));
  return format.format(words);
}

export const commas = (words: readonly string[]): string => words.join(', ');
export const semicolons = (words: readonly string[]): string => words.join('; ');
export const lines = (words: readonly string[]): string => words.join('\n');
