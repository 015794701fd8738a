type Pacing = Readonly<{ unit: 'days' | 'weeks'; count: number }>;

const after = ({ unit, count }: Pacing) =>
  unit === 'days' ? `${count === 1 ? '1 day' : `${count} days`} after` : `At the end of week ${count} from`;

/** Words of dates by each student's own start. */
export const pacingTexts = {
  unit: 'Say "days" or "weeks".',
  count: 'Type a number of days or weeks, 1 or more.',
  most: 'At most 400.',
  field: 'By each student’s own start',
  choices: { '': 'The same day for all', days: 'Days after they begin', weeks: 'End of their own week' },
  countField: (unit: 'days' | 'weeks') => (unit === 'days' ? 'How many days after' : 'Which week'),
  hint: 'Students say themselves when they begin. The due day above is the last one for everybody.',
  label: 'Own dates',
  /** Of a reader for whom the date stands above, or of a feed for many. */
  rule: (pacing: Pacing) => `${after(pacing)} one’s own start; the date here is the last day.`,
  begun: (pacing: Pacing, on: string, last: string) =>
    `${after(pacing)} your start on ${on}; the last day is ${last}.`,
  begunCount: (n: number) => (n === 1 ? '1 student has begun.' : `${n} students have begun.`),
  short: 'your own date',
  shortLast: 'last day; yours follows your start',
  title: 'Your own start',
  lead: 'In these courses work is due by when you begin. What you say here moves your own dates, in your feed too, never past the last day; you can change it.',
  course: (name: string, on: string | undefined) =>
    on === undefined ? `${name}: not begun yet` : `${name}: begun ${on}`,
  on: (name: string) => `I begin ${name} on`,
  share: 'My instructors may see when I began, and what I tick as done here',
  alone: 'Otherwise they see numbers alone.',
  save: 'Set my dates',
  takeBack: 'I have not begun',
  begin: 'Say when I begin',
  change: 'Change it',
  saved: (name: string) => `${name}: your dates follow your start`,
  said: (name: string, on: string) => `You begin ${name} on ${on}: your dates follow`,
  tookBack: (name: string) => `${name}: not begun; the last days stand`,
  outside: (from: string, to: string) => `Choose a day of the term, from ${from} to ${to}.`,
  staffTitle: 'Students’ own dates',
  staffLead:
    'Work here is due by when each student begins. Who shares it with you stands by name; of all others you see numbers alone.',
  begunOf: (begun: number, all: number) => `${begun} of ${all} students have begun.`,
  sharing: 'Those who share it',
  noneShares: 'Nobody shares it with you so far.',
  student: 'Student',
  began: 'Began',
  ticked: 'Ticked as done',
  tickedOf: (n: number, all: number) => `${n} of ${all}`,
} as const;
