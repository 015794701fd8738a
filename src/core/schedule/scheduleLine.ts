import type { ClassNumber } from '../time/classNumber';

/** What a line of a schedule is about; `heading` and `nothing` plan nothing. */
export const SCHEDULE_KINDS = ['topic', 'due', 'event', 'closure', 'times', 'heading', 'nothing'] as const;
export type ScheduleKind = (typeof SCHEDULE_KINDS)[number];

/** What is unclear about a line: which field, and what it could be. Nothing is chosen until somebody does. */
export type ScheduleAsk = Readonly<{
  field: 'kind' | 'date' | 'to' | 'set' | 'opens' | 'closes' | 'time';
  question: string;
  choices: readonly Readonly<{ label: string; value: string }>[];
}>;

/** One thing that a pasted schedule says, with the piece of text that it came from. Dates are `2026-11-17`, times `17:00`. */
export type ScheduleLine = Readonly<{
  text: string;
  kind: ScheduleKind;
  title: string;
  date?: string;
  /** The last day of what goes over several, itself included. */
  to?: string;
  time?: string;
  end?: string;
  /** As the text says it: the teaching week, the ISO weekday, the number of the class. */
  week?: number;
  weekday?: number;
  class?: number;
  set?: string;
  opens?: string;
  closes?: string;
  link?: string;
  points?: number;
  asks: readonly ScheduleAsk[];
}>;

/**
 * A line beside the plan: whether it is new to it, stands there already, or would give a class another topic, and what else is
 * on its day.
 */
export type ProposedLine = ScheduleLine &
  Readonly<{ state: 'new' | 'same' | 'replaces'; replaces?: string; beside: readonly string[] }>;

/** The classes that a schedule is laid over, each day once, in the order of time. */
export type ClassDay = ClassNumber & Readonly<{ date: string }>;
