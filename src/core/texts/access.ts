/** Words about what not everybody can read, see or hear. */
export const accessTexts = {
  linkName: (name: string) =>
    `A link is named “${name}”: heard by itself it does not say where it leads. Name it by what is there.`,
  headingOrder: 'A small heading stands without a larger one before it. Make it a larger one.',
  noCaptions: (name: string) =>
    `${name} has no captions, and no document of its name has its words: who cannot hear it has nothing of it.`,
  addCaptions: 'Add captions (.vtt) or a document of the same name',
  before: (n: number) =>
    n === 1
      ? '1 thing in these courses cannot be read, seen or heard by everybody.'
      : `${n} things in these courses cannot be read, seen or heard by everybody.`,
  lookFirst: 'Look at them first',
  title: 'Accessibility',
  aim: 'Pembit is meant to be used by everybody: with a keyboard alone, with a screen reader, on a phone, in high contrast, enlarged.',
  standard:
    'It is tested against the Web Content Accessibility Guidelines (WCAG) 2.2, level AA, with each change: by an automatic checker on its pages, in light and in dark, and by doing every job of planning, signing up and publishing with a keyboard.',
  limits:
    'What is not tested by machines alone can be wrong. Files, recordings and links are as whoever put them there made them; whoever publishes is told of recordings without captions and of links that say nothing.',
  school: (name: string) => (name ? `What ${name} adds` : 'What the school adds'),
  obstacle: 'If something keeps you out',
  writeTo: (contact: string) => `Write to ${contact}.`,
  nobody: 'Write to whoever teaches your course, or to the school’s office.',
  contactField: 'Whom one writes to who cannot use something',
  contactHint:
    'A name with an address or number; it stands on the page “Accessibility”, which everybody can read',
  statementField: 'What the school says about accessibility',
  statementHint: 'Stands on that page below what holds for Pembit',
} as const;
