import { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import { detached } from './classDates';
import type { Entry, When } from './entry';
import { mainMoment } from './entry';
import type { EntryFacts } from './facts';

export type Line = Readonly<{ title: string; on: Temporal.PlainDate | Temporal.PlainDateTime }>;

/**
 * An entry with another title and another day or time, as they are typed into a line of the plain list. An event stays as
 * long as it was; without a time it takes the whole day.
 * @throws RangeError for an announcement with a time, and for a series.
 */
export function changeLine(entry: Entry, { title, on }: Line): EntryFacts {
  const moment: Moment = on instanceof Temporal.PlainDate ? on : { wall: on, tzid: entry.tzid };
  if (momentText(moment) === momentText(mainMoment(entry))) return { ...entry, title };
  switch (entry.kind) {
    case 'assignment':
      return { ...detached(entry, ['due']), title, due: moment };
    case 'note':
      return { ...entry, title, on: moment };
    case 'announcement':
      if (!isDay(moment)) throw new RangeError('An announcement has no time of day.');
      return { ...entry, title, on: moment };
    case 'event':
      if (entry.recurrence) throw new RangeError('A series is changed in the panel.');
      return { ...entry, title, when: whenFrom(entry.when, moment) };
    default:
      return entry satisfies never;
  }
}

function whenFrom(when: When, start: Moment): When {
  if (isDay(start)) {
    const days = when.kind === 'days' ? when.start.until(when.end, { largestUnit: 'days' }).days : 1;
    return { kind: 'days', start, end: start.add({ days }) };
  }
  const length = when.kind === 'timed' && when.end ? when.start.wall.until(when.end.wall) : undefined;
  return { kind: 'timed', start, end: length && { ...start, wall: start.wall.add(length) } };
}
