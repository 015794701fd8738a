import { listed } from './entries';

const counted = (n: number, one: string, several: string) => `${n} ${n === 1 ? one : several}`;

/** Words of being away: what is called off at once. */
export const awayTexts = {
  title: 'I am away',
  lead: 'Your classes, and the times that you hold, are called off at once. Plans stay on their classes until you slide them; work stays due. One undo brings everything back.',
  link: 'I am away…',
  from: 'From',
  to: 'To, itself included',
  reason: 'What students read',
  reasonHint: (name: string) => `Empty: ${name} is away`,
  away: (name: string) => `${name} is away`,
  courses: 'Whose classes are called off',
  nothing: 'You have no class and no time then.',
  classes: (n: number) => counted(n, 'class', 'classes'),
  times: (n: number) => counted(n, 'time', 'times'),
  holding: (n: number) =>
    n === 1
      ? '1 student holds one of the times, and is written to.'
      : `${n} students hold one of the times, and are written to.`,
  actNone: 'Call it off',
  act: (classes: number, times: number) =>
    `Call off ${listed([
      ...(classes > 0 ? [counted(classes, 'class', 'classes')] : []),
      ...(times > 0 ? [counted(times, 'time', 'times')] : []),
    ])}`,
  done: (classes: number, times: number) =>
    `Called off ${listed([
      ...(classes > 0 || times === 0 ? [counted(classes, 'class', 'classes')] : []),
      ...(times > 0 ? [counted(times, 'time', 'times')] : []),
    ])}`,
  line: (from: string, to: string) => `Away ${from} to ${to}`,
  quick: (days: string) => `You are away ${days}`,
  quickAct: 'See what it calls off',
} as const;
