import type { Temporal } from 'temporal-polyfill';
import type { Trouble } from '../icalendar/contentLines';
import type { OutsideTime } from './outsideCalendar';

/** What is seen of a calendar before it is added. */
export type CalendarPreview = Readonly<{
  name: string;
  locale: string;
  times: readonly OutsideTime[];
  skipped: readonly Trouble[];
  warnings: readonly Trouble[];
  closures: readonly Readonly<{ name: string; start: Temporal.PlainDate }>[];
  /** What those would hit, by course. */
  hits: readonly Readonly<{ tag: string; meetings: number; due: number; taken: number }>[];
}>;
