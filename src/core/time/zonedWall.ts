import { Temporal } from 'temporal-polyfill';

/** A wall time with its zone: what a person means by "Thursday at five". Instants come from `zone.ts` alone. */
export type ZonedWall = Readonly<{ wall: Temporal.PlainDateTime; tzid: string }>;

/** When something falls: a whole day, or a wall time in a zone. */
export type Moment = Temporal.PlainDate | ZonedWall;

export const isDay = (moment: Moment): moment is Temporal.PlainDate => moment instanceof Temporal.PlainDate;

export const dayOf = (moment: Moment): Temporal.PlainDate =>
  isDay(moment) ? moment : moment.wall.toPlainDate();

export const zonedWall = (text: string, tzid: string): ZonedWall => ({
  wall: Temporal.PlainDateTime.from(text),
  tzid,
});

/** `2026-10-15` for a day, `2026-10-15T17:00` for a wall time of a year in four digits: the form that is stored and sent. */
export const momentText = (moment: Moment): string =>
  isDay(moment) ? moment.toString() : moment.wall.toString().slice(0, 'yyyy-mm-ddThh:mm'.length);

/** The reverse of `momentText`. @throws RangeError when the text is neither a date nor a date with a time. */
export const momentFrom = (text: string, tzid: string): Moment =>
  text.includes('T') ? zonedWall(text, tzid) : Temporal.PlainDate.from(text);
