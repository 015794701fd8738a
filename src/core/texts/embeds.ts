/** Words on the pages that are shown inside other sites. */
export const embedTexts = {
  coming: 'Coming days',
  nothing: 'Nothing is planned here for now.',
  nothingThatDay: 'Nothing is planned on this day.',
  readable: 'Anyone with this address can read this page.',
  back: 'All coming days',
  free: (free: number, all: number) => `${free} of ${all} times free`,
  takeATime: 'Take a time',
  setLine: (day: string) => `Set ${day}`,
  unknownTitle: 'This calendar is not here any more',
  unknown: 'Its address was replaced or deleted. Ask the instructor for the present one.',
  unknownFeed:
    'There is no calendar at this address. It was replaced or deleted: ask the instructor for the present one.',
} as const;
