/** Words about what not everybody can read, see or hear. */
export const accessTexts = {
  linkName: (name: string) =>
    `A link is named “${name}”: heard by itself it does not say where it leads. Name it by what is there.`,
  headingOrder: 'A small heading stands without a larger one before it. Make it a larger one.',
  noCaptions: (name: string) =>
    `${name} has neither captions nor a transcript: who cannot hear it has nothing of it.`,
  addCaptions: 'Add a caption file (.vtt) of the same name, or a transcript',
  before: (n: number) =>
    n === 1
      ? '1 thing in these courses cannot be read, seen or heard by everybody.'
      : `${n} things in these courses cannot be read, seen or heard by everybody.`,
  lookFirst: 'Look at them first',
} as const;
