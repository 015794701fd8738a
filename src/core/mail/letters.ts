import type { Temporal } from 'temporal-polyfill';
import { isDay, type Moment } from '../time/zonedWall';
import { toInstant, type Zone } from '../time/zone';

/**
 * What somebody is written to about. `near`: called off, or changed within two days; `changes`: what else staff told;
 * `times`: times one took or gave back oneself; `news`: what is new or changed and nobody told.
 */
export const LETTER_SORTS = ['near', 'changes', 'times', 'news'] as const;
export type LetterSort = (typeof LETTER_SORTS)[number];
/** When a letter of a sort is written: at once, gathered in one of the day or of the week, or never. */
export const LETTER_WHEN = ['now', 'daily', 'weekly', 'never'] as const;
export type LetterWhen = (typeof LETTER_WHEN)[number];
/** News come by themselves: there is no act after which they could be written. */
export const NEWS_WHEN = ['daily', 'weekly', 'never'] as const satisfies readonly LetterWhen[];

export type Letters = Readonly<Record<Exclude<LetterSort, 'news'>, LetterWhen>> &
  Readonly<{ news: (typeof NEWS_WHEN)[number] }>;
export const USUAL_LETTERS: Letters = { near: 'now', changes: 'daily', times: 'now', news: 'never' };

/** What one letter can end: a sort, whatever is gathered, reminders, or a guardian's weeks. */
export const ENDED_BY_LETTER = [...LETTER_SORTS, 'gathered', 'reminders', 'guardian'] as const;
export type EndedByLetter = (typeof ENDED_BY_LETTER)[number];

const DAYS_NEAR = 2;

/** Whether something comes within two days, or goes on today: who sets out by it must hear of a change at once. */
export function isNear(
  moment: Moment,
  now: Temporal.Instant,
  zoneOf: (tzid: string) => Zone,
  tzid: string,
): boolean {
  const zone = zoneOf(isDay(moment) ? tzid : moment.tzid);
  const wall = isDay(moment) ? moment.toPlainDateTime() : moment.wall;
  const hours = toInstant(zone, wall).since(now).total('hours');
  return hours <= 24 * DAYS_NEAR && hours > (isDay(moment) ? -24 : 0);
}

/** The hour of the day at which gathered letters are written. */
export const GATHERED_HOUR = 16;
const SATURDAY = 6;

/**
 * Which gathered letters are due in the hour of `wall`: that of the day on each school day (a weekday that is not closed), that
 * of the week on the last school day of the week (Monday to Sunday).
 */
export function gatheredDue(
  wall: Temporal.PlainDateTime,
  isClosed: (date: Temporal.PlainDate) => boolean,
): Readonly<{ daily: boolean; weekly: boolean }> {
  const today = wall.toPlainDate();
  const isSchoolDay = (date: Temporal.PlainDate) => date.dayOfWeek < SATURDAY && !isClosed(date);
  if (wall.hour !== GATHERED_HOUR || !isSchoolDay(today)) return { daily: false, weekly: false };
  const rest = Array.from({ length: 7 - today.dayOfWeek }, (_, i) => today.add({ days: i + 1 }));
  return { daily: true, weekly: !rest.some(isSchoolDay) };
}
