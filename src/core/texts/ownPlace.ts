/** A single time that has its own place or link. */
export const ownPlaceTexts = {
  place: 'Another place',
  placeHint: 'For this time alone; whoever has it is told.',
  link: 'Another meeting link',
  linkHint: 'Both empty: where the others are.',
  online: 'by another link',
  elsewhere: (place: string) => `In another place: ${place}`,
} as const;
