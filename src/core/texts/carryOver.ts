import type { CarryProblem } from '../carryover/carry';
import type { Mapping } from '../carryover/dayMap';

const of = (n: number, one: string, many: string) => (n === 1 ? `1 ${one}` : `${n} ${many}`);

/** Words of carrying a plan over to another term. */
export const carryTexts = {
  title: 'Carry over',
  heading: (to: string) => `Carry a plan over to ${to}`,
  lead: 'Everything is looked at before anything is made. Taken times, replies, extended due dates and named students stay behind.',
  open: 'Carry a plan over into this course',
  copyWeek: 'Copy this week',
  howMuch: 'How much',
  whole: 'the whole plan',
  oneWeek: (n: number) => `week ${n} alone: classes, events, work`,
  nothingInWeek: 'Nothing is planned in this week.',
  from: 'From',
  to: 'To',
  course: (code: string, title: string, term: string) => `${code} ${title} · ${term}`,
  mapping: 'Days are found',
  mappings: {
    meetings: 'by the number of the class',
    weeks: 'by teaching week and weekday',
    days: 'by days from the start of the term',
  } satisfies Record<Mapping, string>,
  hanging: 'Set, opens, closes, shown from',
  hangings: { days: 'as many days from the date as before', own: 'each by its own place in the term' },
  visible: 'Students see it',
  visibles: { asBefore: 'as they saw it before', drafts: 'not yet: all as drafts' },
  atOnce: (n: number) =>
    n === 0
      ? 'Nobody is on the roster of the new course yet.'
      : `${of(n, 'student', 'students')} of the new course see it at once, where it is not shown later.`,
  asDrafts:
    'Assignments, events and announcements stay drafts until you show them; topics of classes are seen.',
  what: 'What',
  /** The day of an outline, which has no dates. */
  outlineDay: (week: number | undefined, weekday: string) =>
    week === undefined ? `${weekday}, outside the weeks` : `week ${week}, ${weekday}`,
  old: 'Was',
  new: 'Will be',
  kinds: { class: 'Class', sheet: 'Sign-up sheet', event: 'Event', assignment: 'Due', announcement: 'Announcement', note: 'Note' }, // prettier-ignore
  take: (title: string) => `Carry ${title} over`,
  day: (title: string) => `New day of ${title}`,
  problems: {
    closure: 'on a closure',
    pastEnd: 'after the end of the term',
    beforeStart: 'before the term begins',
    noClass: 'there is no class of this number',
    taken: 'its class has a plan already',
    namedOnly: 'is for groups or named students alone, and stays behind',
  } satisfies Record<CarryProblem, string>,
  movedOff: (closure: string) => `${closure} lies on its day: put on the next open one`,
  times: (now: number, before: number) =>
    now === before ? of(now, 'time', 'times') : `${now} of ${of(before, 'time', 'times')}`,
  notOffered: 'not offered until you say so',
  singles: (n: number) =>
    `${of(n, 'single change', 'single changes')} of the series ${n === 1 ? 'stays' : 'stay'} behind`,
  correction: (said: string, instead: string) => `“${said}” becomes “${instead}”`,
  keepWords: (title: string) => `Leave the dates in the words of ${title} as they are`,
  keep: 'leave the words',
  counts: (carried: number, left: number, look: number) =>
    [`${carried} to carry over`, left > 0 ? `${left} left out` : '', look > 0 ? `${look} to look at` : '']
      .filter(Boolean)
      .join(', '),
  look: 'To look at',
  onlyProblems: 'Only what needs a look',
  along: (materials: number, themes: number) =>
    `${[
      materials > 0 ? of(materials, 'material', 'materials') : '',
      themes > 0 ? of(themes, 'theme of a week', 'themes of weeks') : '',
    ]
      .filter(Boolean)
      .join(' and ')} ${materials + themes === 1 ? 'comes' : 'come'} along`,
  outlets: 'Addresses that show the new course from then on',
  outletsLead: 'Whoever has subscribed, or has the embed on a page, need not do anything.',
  act: (n: number, to: string) => `Carry ${n} over to ${to}`,
  carried: (n: number, to: string) => `Carried ${of(n, 'thing', 'things')} over to ${to}`,
  doesNotHold: (title: string, why: string) =>
    `“${title}” would not hold together: ${why} Give it another day, or leave it out.`,
  sameCourse: 'Choose another course than the one it comes from.',
  nothingTitle: 'There is nothing planned in that course',
  nothingLead: 'Choose the course and the term that you want to take the plan from.',
  none: 'choose a plan',
  onlyOne:
    'You teach one course alone. Choose a plan that was saved as a file; once the administrator has added the next term’s course, the plan comes from here.',
} as const;
