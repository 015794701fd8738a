import type { ReadCalendar, ReadEvent, ReadOverride } from '@/core/icalendar/readCalendar';
import type { Moment } from '@/core/time/zonedWall';
import { isDay, zonedWall } from '@/core/time/zonedWall';
import { Temporal } from 'temporal-polyfill';

/** A moment that can go from one thread to another: with seconds, and the zone after it. */
type PlainMoment = string;
type Plain<T> = Omit<T, 'start' | 'end' | 'rdates' | 'exdates' | 'overrides' | 'recurrenceId'> &
  Readonly<{ start: PlainMoment; end?: PlainMoment }>;
type PlainEvent = Plain<ReadEvent> &
  Readonly<{
    rdates: readonly PlainMoment[];
    exdates: readonly PlainMoment[];
    overrides: readonly (Plain<ReadOverride> & { recurrenceId: PlainMoment })[];
  }>;
export type PlainCalendar = Omit<ReadCalendar, 'events'> & Readonly<{ events: readonly PlainEvent[] }>;

const plain = (moment: Moment): PlainMoment =>
  isDay(moment) ? moment.toString() : `${moment.wall.toString()} ${moment.tzid}`;
const whole = (text: PlainMoment): Moment => {
  const [value = '', tzid] = text.split(' ');
  return tzid === undefined ? Temporal.PlainDate.from(value) : zonedWall(value, tzid);
};

/** What was read as plain values: Temporal objects do not go from one thread to another. */
export const toPlain = (calendar: ReadCalendar): PlainCalendar => ({
  ...calendar,
  events: calendar.events.map(({ start, end, rdates, exdates, overrides, ...event }) => ({
    ...event,
    start: plain(start),
    end: end && plain(end),
    rdates: rdates.map(plain),
    exdates: exdates.map(plain),
    overrides: overrides.map((o) => ({
      ...o,
      recurrenceId: plain(o.recurrenceId),
      start: plain(o.start),
      end: o.end && plain(o.end),
    })),
  })),
});

/** One event as it was read. */
export const eventFromPlain = ({
  start,
  end,
  rdates,
  exdates,
  overrides,
  ...event
}: PlainEvent): ReadEvent => ({
  ...event,
  start: whole(start),
  end: end === undefined ? undefined : whole(end),
  rdates: rdates.map(whole),
  exdates: exdates.map(whole),
  overrides: overrides.map((o) => ({
    ...o,
    recurrenceId: whole(o.recurrenceId),
    start: whole(o.start),
    end: o.end === undefined ? undefined : whole(o.end),
  })),
});
