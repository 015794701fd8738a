import type { ClassNumber } from '../time/classNumber';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId, SectionId } from '../ids';
import type { Term } from '../time/term';

/** What the reader of a quick line knows: today, the term, the courses in which the person plans. */
export type QuickContext = Readonly<{
  today: Temporal.PlainDate;
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  courses: readonly QuickCourse[];
  locale: string;
}>;

export type QuickCourse = Readonly<{
  id: CourseId;
  code: string;
  tag: string;
  title: string;
  sections: readonly QuickSection[];
  /** What stands on the plan and can be named: "before the midterm". */
  landmarks: readonly Readonly<{ title: string; date: Temporal.PlainDate }>[];
}>;
export type QuickSection = Readonly<{
  id: SectionId;
  name: string;
  classes: readonly (ClassNumber &
    Readonly<{ date: Temporal.PlainDate; start: Temporal.PlainTime; end: Temporal.PlainTime }>)[];
}>;

/** A day with an optional time, or the start or end of a class. Dates and times as text: `2026-10-15`, `17:00`. */
export type QuickMoment =
  | Readonly<{ kind: 'date'; date: string; time?: string }>
  | (ClassNumber & Readonly<{ kind: 'class'; edge: 'start' | 'end' }>);

export type QuickRepeat = Readonly<{
  unit: 'days' | 'weeks';
  every: number;
  /** ISO weekdays, ascending; empty for days. */
  weekdays: readonly number[];
  until?: string;
  count?: number;
}>;

/** What one line says. */
export type QuickEntry = Readonly<{
  kind: 'event' | 'assignment' | 'announcement' | 'note';
  title: string;
  /** Courses, each with the sections that are named; empty for a note. */
  courses: readonly Readonly<{ course: CourseId; sections?: readonly SectionId[] }>[];
  /** Of all but an assignment. `lastDay` where it goes over several days. */
  on?: Readonly<{ date: string; lastDay?: string; start?: string; end?: string }>;
  setOn?: QuickMoment;
  opens?: QuickMoment;
  due?: QuickMoment;
  closes?: QuickMoment;
  repeat?: QuickRepeat;
  place: string;
  links: readonly string[];
  draft: boolean;
}>;

/** A part of the line and what it was taken for, in words; positions count UTF-16 units, the end is exclusive. */
export type Piece = Readonly<{ from: number; to: number; name: string; words: string }>;

/** What cannot be told from the line. A choice carries the line as it would have to read. */
export type Ask = Readonly<{
  question: string;
  choices: readonly Readonly<{ label: string; line: string }>[];
}>;

export type Reading = Readonly<{
  pieces: readonly Piece[];
  asks: readonly Ask[];
  /** Present when nothing is left to ask. */
  entry?: QuickEntry;
}>;
