/** A text as it is looked for: letter case and accents aside. */
export const searchable = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
