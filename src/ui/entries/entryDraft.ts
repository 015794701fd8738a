import type { LateWork } from '@/core/entries/entry';
import type { Pacing } from '@/core/entries/pacing';
import type { DraftLink } from './draftLinks';

/** Who is meant in one course; three empty lists are everyone. */
export type CourseChoice = Readonly<{
  sections: readonly string[];
  groups: readonly string[];
  people: readonly string[];
}>;

/** A class that a date follows, by its number as it is typed; empty: none. */
/** As typed: `12`, `lab 3`. */
export type ClassChoice = Readonly<{ number: string; edge: 'start' | 'end' }>;

const NO_CLASS: ClassChoice = { number: '', edge: 'start' };

export const EVERYONE: CourseChoice = { sections: [], groups: [], people: [] };

/** How an event repeats, as it is typed. `own` is a rule that was made elsewhere and stays as it is. */
export type RepeatDraft = Readonly<{
  kind: 'none' | 'days' | 'weeks' | 'monthDay' | 'monthWeekday' | 'own';
  every: string;
  weekdays: readonly number[];
  ends: 'term' | 'date' | 'count';
  until: string;
  count: string;
  rrule: string;
  /** Whether it leaves out days without classes. */
  skips: boolean;
}>;

/** The panel's fields as they are typed; dates are ISO days, times are as people type them. */
export type EntryDraft = Readonly<{
  kind: 'event' | 'assignment' | 'announcement' | 'note';
  title: string;
  day: string;
  lastDay: string;
  allDay: boolean;
  starts: string;
  ends: string;
  place: string;
  meetingLink: string;
  meetingName: string;
  meetingText: string;
  repeat: RepeatDraft;
  asksComing: boolean;
  seats: string;
  setOn: string;
  opensDay: string;
  opensTime: string;
  dueTime: string;
  closesDay: string;
  closesTime: string;
  /** Where filled in, it takes the place of the day and time above. */
  atClass: Readonly<Record<'setOn' | 'opens' | 'due' | 'closes', ClassChoice>>;
  handIn: string;
  lateWork: '' | LateWork;
  handInAgain: '' | 'no' | 'yes';
  latePolicy: string;
  points: string;
  effortHours: string;
  /** By each student's own start. */
  pacedBy: '' | Pacing['unit'];
  pacedCount: string;
  /** `closes`, `hiddenAfter`: as they were given by a script; the form leaves them as they are. */
  extensions: readonly Readonly<{
    person: string;
    day: string;
    time: string;
    closes?: string;
    hiddenAfter?: string;
  }>[];
  /** Formatted text as HTML. */
  description: string;
  links: readonly DraftLink[];
  /** Ids of the courses it is for. */
  courses: Readonly<Record<string, CourseChoice>>;
  visibility: 'visible' | 'draft' | 'from' | 'before';
  fromDay: string;
  fromTime: string;
  daysBefore: string;
  hiddenDay: string;
  hiddenTime: string;
}>;

export const NO_REPEAT: RepeatDraft = {
  kind: 'none',
  every: '1',
  weekdays: [],
  ends: 'term',
  until: '',
  count: '4',
  rrule: '',
  skips: true,
};

export const emptyDraft = (day: string, course: string | undefined): EntryDraft => ({
  kind: 'event',
  title: '',
  day,
  lastDay: '',
  allDay: false,
  starts: '',
  ends: '',
  place: '',
  meetingLink: '',
  meetingName: '',
  meetingText: '',
  repeat: NO_REPEAT,
  asksComing: false,
  seats: '',
  setOn: '',
  opensDay: '',
  opensTime: '',
  dueTime: '',
  closesDay: '',
  closesTime: '',
  atClass: { setOn: NO_CLASS, opens: NO_CLASS, due: NO_CLASS, closes: NO_CLASS },
  handIn: '',
  lateWork: '',
  handInAgain: '',
  latePolicy: '',
  points: '',
  effortHours: '',
  pacedBy: '',
  pacedCount: '',
  extensions: [],
  description: '',
  links: [],
  courses: course ? { [course]: EVERYONE } : {},
  visibility: 'visible',
  fromDay: '',
  fromTime: '8:00',
  daysBefore: '7',
  hiddenDay: '',
  hiddenTime: '23:59',
});
