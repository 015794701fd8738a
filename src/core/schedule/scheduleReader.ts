import type { Temporal } from 'temporal-polyfill';
import type { Term } from '../time/term';
import { DUE, NUMBERED_WORK, WORK } from './lineKind';
import type { DateContext } from './scheduleDates';
import type { ClassDay, ScheduleKind, ScheduleLine } from './scheduleLine';

export type ScheduleContext = Readonly<{
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  /** The classes of the course, each day once, in the order of time. */
  classes: readonly ClassDay[];
  locale: string;
  /** The course's tag, and the names of its sections: a list of a plan names them. */
  tag?: string;
  sections?: readonly string[];
}>;

/** What headings above a line say about it. */
export type Above = { week?: number; date?: Temporal.PlainDate; group?: ScheduleKind };
export type Line = { -readonly [K in keyof ScheduleLine]: ScheduleLine[K] };

export const LINK = /(?:https?:\/\/|(?<![\w.@/-])www\.)[^\s"<>|\u{E000}]+/iu;
export const WEEK = /(?<![\w-])(?:week|wk\.?|w(?=\d))\s*#?\s*(\d{1,2})\b/i;
export const WEEK_OF = /\bweek\s+(?:of|beginning|starting|commencing)\b/i;

export type Reader = Readonly<{ context: ScheduleContext; order: DateContext['order'] }>;

export const dateContext = ({ context, order }: Reader, week?: number): DateContext => ({
  term: context.term,
  ...(order ? { order } : {}),
  ...(week === undefined ? {} : { week }),
});

export const emptyLine = (text: string, kind: ScheduleKind, title = ''): Line => ({
  text,
  kind,
  title,
  asks: [],
});

export const isWork = (text: string) => DUE.test(text) || WORK.test(text) || NUMBERED_WORK.test(text);
