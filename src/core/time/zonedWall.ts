import { Temporal } from 'temporal-polyfill';

/** A wall time with its zone: what a person means by "Thursday at five". Instants come from `zone.ts` alone. */
export type ZonedWall = Readonly<{ wall: Temporal.PlainDateTime; tzid: string }>;

/**
 * Of a wall time that an autumn night shows twice, the second: its nanosecond is 1, so that it comes after the first wherever
 * wall times are compared, and goes along wherever one is passed on. `zone.ts` alone gives it a meaning; elsewhere than in a
 * repeated hour it has none. (Python's PEP 495 marks the second with one bit of the wall time, too.)
 */
export const SECOND_PASS = 1;
export const isSecondPass = ({ nanosecond }: Readonly<{ nanosecond: number }>): boolean =>
  nanosecond === SECOND_PASS;
/** How the text of such a time ends: a suffix of RFC 9557, with a key of our own. */
const PASS_SUFFIX = '[_pass=2]';

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
  wall: wallFrom(text),
  tzid,
});

/** `2026-10-15T17:00`; the second of two has `[_pass=2]` behind it. */
export const wallText = (wall: Temporal.PlainDateTime): string =>
  wall.toString().slice(0, 'yyyy-mm-ddThh:mm'.length) + (isSecondPass(wall) ? PASS_SUFFIX : '');

/** What stands behind the T of `wallText`. */
export const clockText = (time: Temporal.PlainTime): string =>
  time.toString().slice(0, 'hh:mm'.length) + (isSecondPass(time) ? PASS_SUFFIX : '');

/** The reverse of `wallText`. @throws RangeError when it is none. */
export function wallFrom(text: string): Temporal.PlainDateTime {
  const plain = Temporal.PlainDateTime.from(text, { overflow: 'reject' });
  return text.endsWith(PASS_SUFFIX) ? plain.with({ nanosecond: SECOND_PASS }) : plain;
}

/** `2026-10-15` for a day, `2026-10-15T17:00` for a wall time of a year in four digits: the form that is stored and sent. */
export function momentText(moment: Moment): string {
  const value = isDay(moment) ? moment : moment.wall;
  const known = texts.get(value);
  if (known !== undefined) return known;
  const text = value instanceof Temporal.PlainDate ? value.toString() : wallText(value);
  texts.set(value, text);
  return text;
}

/** The reverse of `momentText`. @throws RangeError when the text is neither a date nor a date with a time. */
export const momentFrom = (text: string, tzid: string): Moment =>
  text.includes('T') ? zonedWall(text, tzid) : Temporal.PlainDate.from(text);

/**
 * Which of two wall times of one zone comes first, below zero for the first. Within one hour a second pass comes after all of
 * the first: what is not marked there is the first.
 */
export function wallOrder(a: Temporal.PlainDateTime, b: Temporal.PlainDateTime): number {
  const inOneHour = a.hour === b.hour && a.toPlainDate().equals(b.toPlainDate());
  return inOneHour && isSecondPass(a) !== isSecondPass(b)
    ? a.nanosecond - b.nanosecond
    : Temporal.PlainDateTime.compare(a, b);
}

/** The same of two moments of one sort. */
export const momentOrder = (a: Moment, b: Moment): number =>
  isDay(a) || isDay(b) ? Temporal.PlainDate.compare(dayOf(a), dayOf(b)) : wallOrder(a.wall, b.wall);
