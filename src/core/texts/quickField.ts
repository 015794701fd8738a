/** Words of the quick line's own field, on every page. */
export const quickFieldTexts = {
  label: 'Quick line',
  placeholder: 'Add or find: Tide quiz, due week 6 Thursday 5 pm, NV',
  placeholderNotes: 'Find by title, or note: Ask about bevels, Friday',
  added: (title: string) => `Added ${title}`,
} as const;
