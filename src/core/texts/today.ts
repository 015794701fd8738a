const counted = (n: number, one: string, several: string) => `${n} ${n === 1 ? one : several}`;

/** Words of the page that whoever teaches begins with. */
export const todayTexts = {
  title: 'Today',
  nothingToday: 'Nothing more is planned today.',
  comes: 'Who comes',
  nobodyComes: 'Nobody has taken a time in the next 7 days.',
  due: 'Due in the next 7 days',
  nothingDue: 'Nothing is due.',
  waits: 'What waits for you',
  nothingWaits: 'Nothing waits: no check is open, every class of the next 7 days has a plan.',
  checks: (n: number) => counted(n, 'check is open', 'checks are open'),
  /** At the head of the term: what stands nowhere in it. */
  waitsForClass: (titles: readonly string[], course: string) =>
    `${course}: ${titles.slice(0, 3).join(', ')}${titles.length > 3 ? ` and ${titles.length - 3} more` : ''} ${titles.length === 1 ? 'has' : 'have'} no class`,
  slideIn: 'Slide them in',
  slideInNamed: (course: string) => `Slide the plans of ${course} in`,
  onClosed: 'Due on a day that is closed',
  homeless: (n: number, course: string) =>
    `${counted(n, 'class plan has', 'class plans have')} no class in ${course}`,
  calledOff: (title: string) => `“${title}” stands on a class that is called off: slide it, or leave it out`,
  unplanned: (n: number) => `${counted(n, 'class', 'classes')} in the next 7 days without a plan`,
  drafts: (n: number) => `${counted(n, 'draft', 'drafts')} dated in the next 7 days: students do not see it`,
  whole: 'The whole term',
  when: (day: string, time: string) => (time ? `${day}, ${time}` : day),
} as const;
