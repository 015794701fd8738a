/**
 * Something that weighs on students of one course: work that is due, or an exam. Days count from the first day of the
 * term, students from 0 in the order in which they are looked at.
 */
export type LoadItem = Readonly<{
  id: string;
  /** Its course, among those of whoever looks; absent: a course of others. */
  course?: string;
  /** Empty where others have not shared it. */
  title: string;
  due: number;
  /** The day it is given out; work without one is given out a week before (common practice, no published source). */
  set?: number;
  /** What it takes a student, in minutes; absent: not said. */
  minutes?: number;
  weight: number;
  people: readonly number[];
}>;

/** Work counts once, an exam twice. */
export const WEIGHT = { work: 1, exam: 2 } as const;

/** How much on one day is an alarm, unless somebody says otherwise (common practice, no published source). */
export const ALARM = 2;

/** What others plan is told of no fewer students than this: fewer could be known by it. */
export const FEWEST = 5;
