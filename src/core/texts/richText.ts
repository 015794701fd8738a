/** Words of the editor of formatted text. */
export const richTexts = {
  tools: 'Formatting',
  acts: { bold: 'Bold', italic: 'Italic', bullets: 'List', numbers: 'Numbered list', link: 'Link' },
  marks: { bold: 'B', italic: 'I', bullets: '– –', numbers: '1 2', link: 'Link' },
  linkPrompt: 'Address of the link (empty: no link)',
} as const;
