import type { Temporal } from 'temporal-polyfill';
import type { Moment, ZonedWall } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { Recurrence } from '../series/recurrence';
import type { When } from './entry';
import type { EntryFacts } from './facts';

/** What to do with each moment of an entry: those of its own date, and those that hang on it. */
export type MomentChange = Readonly<{
  wall: (wall: ZonedWall) => ZonedWall;
  day: (day: Temporal.PlainDate) => Temporal.PlainDate;
}>;

const moment = (change: MomentChange, at: Moment): Moment => (isDay(at) ? change.day(at) : change.wall(at));

function when(change: MomentChange, given: When): When {
  return given.kind === 'days'
    ? { ...given, start: change.day(given.start), end: change.day(given.end) }
    : { ...given, start: change.wall(given.start), end: given.end && change.wall(given.end) };
}

export function recurrenceMoments(change: MomentChange, recurrence: Recurrence): Recurrence {
  return {
    ...recurrence,
    exdates: recurrence.exdates.map((at) => moment(change, at)),
    ...(recurrence.closed ? { closed: recurrence.closed.map((at) => moment(change, at)) } : {}),
    overrides: recurrence.overrides.map((o) => ({
      ...o,
      recurrenceId: moment(change, o.recurrenceId),
      start: o.start && moment(change, o.start),
      end: o.end && moment(change, o.end),
    })),
  };
}

/**
 * An entry with its moments changed: `own` for its date (and a series' occurrences), `along` for what hangs on it: the set
 * day, opens, closes, shown from, hidden after, extensions. What is derived from them stays as it was.
 */
export function mapMoments<E extends EntryFacts>(entry: E, own: MomentChange, along: MomentChange): E;
export function mapMoments(entry: EntryFacts, own: MomentChange, along: MomentChange): EntryFacts {
  if (entry.kind === 'note') return { ...entry, on: moment(own, entry.on) };
  const shared = {
    visibility:
      entry.visibility.kind === 'from'
        ? { ...entry.visibility, from: along.wall(entry.visibility.from) }
        : entry.visibility,
    hiddenAfter: entry.hiddenAfter && { ...entry.hiddenAfter, wall: along.wall(entry.hiddenAfter.wall) },
  };
  switch (entry.kind) {
    case 'event':
      return {
        ...entry,
        ...shared,
        when: when(own, entry.when),
        recurrence: entry.recurrence && recurrenceMoments(own, entry.recurrence),
      };
    case 'assignment':
      return {
        ...entry,
        ...shared,
        setOn: entry.setOn && along.day(entry.setOn),
        opens: entry.opens && moment(along, entry.opens),
        due: moment(own, entry.due),
        closes: entry.closes && moment(along, entry.closes),
        extensions: entry.extensions.map((e) => ({
          ...e,
          due: moment(along, e.due),
          ...(e.closes ? { closes: moment(along, e.closes) } : {}),
          ...(e.hiddenAfter
            ? { hiddenAfter: { ...e.hiddenAfter, wall: along.wall(e.hiddenAfter.wall) } }
            : {}),
        })),
      };
    case 'announcement':
      return { ...entry, ...shared, on: own.day(entry.on) };
    default:
      return entry satisfies never;
  }
}
