/** Words of closing days from where one stands. */
export const closureTexts = {
  title: 'No classes',
  lead: 'What it hits is shown first: classes and their plans, work due, times, events. One undo brings everything back.',
  whole: 'the whole school',
  for: 'For',
  onThisDay: 'No classes on this day…',
  quick: (day: string, name: string) => `No classes ${day}${name ? `: ${name}` : ''}`,
  quickAct: 'See what it hits, and close it',
} as const;
