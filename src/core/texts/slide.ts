import type { ClassNumber } from '../time/classNumber';
import { entryTexts } from './entries';

/** Words of sliding class plans along the classes of a course. */
export const slideTexts = {
  noneWaits: 'No plan of this course waits for a class.',
  slidIn: (n: number) =>
    n === 1 ? 'Slid 1 plan into its next class' : `Slid ${n} plans into their next classes`,
  notReached: 'We did not get to it: slide',
  fill: 'Pull the later ones forward',
  title: (plan: string) => `Slide ${plan}`,
  lead: 'It goes to the next class, and the later ones move on in their order, until a class without a plan.',
  forwardTitle: 'Pull forward',
  forwardLead: 'The plans after this class move forward, until a class without a plan or a pinned one.',
  by: 'By classes',
  sections: 'Sections',
  allSections: 'All sections',
  overPins: 'Skip pinned classes',
  moves: 'From and to',
  line: (from: string, to: string) => `${from || 'no class'} → ${to}`,
  section: (names: string) => `in ${names}`,
  overflow: (title: string) => `${title} finds no class. What becomes of it?`,
  overflows: {
    keep: 'keep it without a class',
    doubleUp: 'teach it with the one before',
    drop: 'drop it',
  },
  follows: 'Follows its class',
  offered: 'Due in these days; comes along if you choose it',
  slide: (n: number) => (n === 1 ? 'Slide 1 plan' : `Slide ${n} plans`),
  pull: (n: number) => (n === 1 ? 'Pull 1 plan forward' : `Pull ${n} plans forward`),
  slid: (n: number, first: string, to: string) =>
    n === 1 ? `Moved ${first}${to ? ` to ${to}` : ''}` : `Moved ${n} class plans, ${first} first`,
  both: (first: string, second: string) => `${first}; ${second}`,
  nothing: {
    later: 'This plan stands on no class that it could leave.',
    forward: 'Nothing follows that could move forward.',
    together: 'These sections stand together already.',
  },
  drift: 'Sections side by side',
  driftLead: 'Plans that stand on classes of different numbers are marked.',
  together: (section: string, like: string) => `Bring ${section} to where ${like} is`,
  planColumn: 'Plan',
  place: (number: ClassNumber, day: string) => `${entryTexts.classMark(number)}, ${day}`,
  noClass: 'no class',
  slideLost: 'Slide it in',
} as const;
