import type { ClassNumber } from '@/core/time/classNumber';
import type { PanelCourse } from '../entries/panelData';

/** What a view knows of a mark that is opened or moved. */
export type PlanItem = Readonly<{
  key: string;
  title: string;
  /** The day on which the mark stands. */
  date: string;
  entry?: string;
  meeting?: string;
  /** Classes of other sections that the same mark stands for. */
  others?: readonly string[];
  href?: string;
  /** Which of a series, and how it stands there: `2026-10-13T16:00`. */
  recurrenceId?: string;
  start: string;
  end?: string;
  /** False for what is not the viewer's to move, and for the day that work is set. */
  movable: boolean;
}>;

export type ClassDay = Readonly<{
  meeting: string;
  course: string;
  section: string;
  /** The section's. */
  name: string;
  number: ClassNumber;
  date: string;
  start: string;
  end: string;
}>;

/** Everything that the panel beside a view of the plan works with. */
export type DeskData = Readonly<{
  /** Different after each change of the plan: what was fetched under another one is fetched again. */
  version: string;
  /** The day it is in the term's zone. */
  today: string;
  /** As whom one looks, if not as oneself. */
  as?: string;
  /** Ids of the viewer's entries on whose date something hangs: a set day, opens, closes, shown from. */
  hanging: readonly string[];
  classes: readonly ClassDay[];
  /** The courses in which the viewer plans; empty for students. */
  courses: readonly PanelCourse[];
  /** The one course in which the viewer plans that is looked at: what is added is for it. */
  addsTo?: string;
  /** A date in words, with its week. */
  days: Readonly<Record<string, string>>;
  /** Students may add private notes. */
  notesOnly: boolean;
}>;
