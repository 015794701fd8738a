import { Temporal } from 'temporal-polyfill';

/** A wall time with its zone: what a person means by "Thursday at five". Instants come from `zone.ts` alone. */
export type ZonedWall = Readonly<{ wall: Temporal.PlainDateTime; tzid: string }>;

/** When something falls: a whole day, or a wall time in a zone. */
export type Moment = Temporal.PlainDate | ZonedWall;

export const isDay = (moment: Moment): moment is Temporal.PlainDate => moment instanceof Temporal.PlainDate;

// A page asks for the day and the text of the same moments thousands of times, and Temporal's answers are slow.
const days = new WeakMap<Temporal.PlainDateTime, Temporal.PlainDate>();
const texts = new WeakMap<Temporal.PlainDate | Temporal.PlainDateTime, string>();

export function dayOf(moment: Moment): Temporal.PlainDate {
  if (isDay(moment)) return moment;
  const known = days.get(moment.wall);
  if (known) return known;
  const day = moment.wall.toPlainDate();
  days.set(moment.wall, day);
  return day;
}

/** A moment some days later (below zero: earlier), at the same wall time. */
export const laterBy = <M extends Moment>(moment: M, days: number): M =>
  (isDay(moment) ? moment.add({ days }) : { ...moment, wall: moment.wall.add({ days }) }) as M;

export const zonedWall = (text: string, tzid: string): ZonedWall => ({
  wall: Temporal.PlainDateTime.from(text),
  tzid,
});

/** `2026-10-15` for a day, `2026-10-15T17:00` for a wall time of a year in four digits: the form that is stored and sent. */
export function momentText(moment: Moment): string {
  const value = isDay(moment) ? moment : moment.wall;
  const known = texts.get(value);
  if (known !== undefined) return known;
  const text = value.toString().slice(0, 'yyyy-mm-ddThh:mm'.length);
  texts.set(value, text);
  return text;
}

/** The reverse of `momentText`. @throws RangeError when the text is neither a date nor a date with a time. */
export const momentFrom = (text: string, tzid: string): Moment =>
  text.includes('T') ? zonedWall(text, tzid) : Temporal.PlainDate.from(text);
