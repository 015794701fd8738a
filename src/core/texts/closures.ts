import type { Closing } from '../quickline/readClosureLine';

/** Words of closing days from where one stands. */
export const closureTexts = {
  ofSections: (name: string, sections: readonly string[]) =>
    sections.length === 0
      ? `${name} (some sections)`
      : `${name} (${sections.length === 1 ? 'section' : 'sections'} ${sections.join(', ')})`,
  notItsSections: 'These are not sections of this course.',
  sections: 'Sections',
  title: 'Closed days and other hours',
  lead: 'What it hits is shown first: classes and their plans, work due, times, events. One undo brings everything back.',
  whole: 'the whole school',
  for: 'For',
  onThisDay: 'No classes on this day…',
  /** As it can be typed again. */
  quick: (day: string, name: string, closing: Closing = 'whole', at = '') =>
    `${{ whole: 'No classes', late: `School opens at ${at}`, early: `School closes at ${at}`, online: 'Classes online' }[closing]} ${day}${name ? `: ${name}` : ''}`,
  sudden: (day: 'today' | 'tomorrow', what: string, when: string) =>
    `${day === 'today' ? 'Today' : 'Tomorrow'}: ${what}. Said ${when}.`,
  quickAct: 'See what it hits, and close it',
  moveDue: (n: number) =>
    n === 1
      ? 'Move the work due then to the next open day'
      : `Move the ${n} pieces of work due then to the next open day`,
  dueTo: (title: string, day: string) => `${title} to ${day}`,
} as const;
