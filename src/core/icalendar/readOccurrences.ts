import { Temporal } from 'temporal-polyfill';
import { expandSeries } from '../series/expand';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentText } from '../time/zonedWall';
import type { ReadEvent, ReadOverride } from './readCalendar';
import { afterDuration, momentMs } from './readMoment';

/** One time at which an event of a file takes place. */
export type ReadOccurrence = Omit<ReadOverride, 'recurrenceId'> &
  Readonly<{ event: ReadEvent; recurrenceId?: Moment }>;

const MOST_OCCURRENCES = 2000;

/** When an event takes place between two days, both included; an RDATE that its rule names as well counts once. */
export function occurrencesOfRead(
  event: ReadEvent,
  span: Readonly<{ from: Temporal.PlainDate; to: Temporal.PlainDate }>,
): ReadOccurrence[] {
  const { start, rrule, rdates, exdates, overrides } = event;
  const plain = { event, title: event.title, place: event.place, cancelled: event.cancelled };
  const within = (moment: Moment) =>
    Temporal.PlainDate.compare(dayOf(moment), span.from) >= 0 &&
    Temporal.PlainDate.compare(dayOf(moment), span.to) <= 0;
  if (!rrule && rdates.length === 0) return within(start) ? [{ ...plain, start, end: event.end }] : [];
  const gone = new Set(exdates.map(momentText));
  const named = rrule
    ? expandSeries(start, { rrule, exdates, overrides: [] }, span).map((i) => i.recurrenceId)
    : [start].filter(within);
  const ids = new Map([...named, ...rdates.filter(within)].map((moment) => [momentText(moment), moment]));
  const overrideOf = new Map(overrides.map((o) => [momentText(o.recurrenceId), o]));
  return [...ids]
    .filter(([text]) => !gone.has(text))
    .slice(0, MOST_OCCURRENCES)
    .map(([text, recurrenceId]) => {
      const override = overrideOf.get(text);
      return override
        ? { ...override, event, cancelled: override.cancelled || event.cancelled }
        : { ...plain, recurrenceId, start: recurrenceId, end: endAt(event, recurrenceId) };
    })
    .sort((a, b) => (momentText(a.start) < momentText(b.start) ? -1 : 1));
}

/** With an end the exact length repeats; days are counted. */
function endAt({ start, end }: ReadEvent, at: Moment): Moment | undefined {
  if (!end) return undefined;
  if (isDay(start) || isDay(end) || isDay(at))
    return isDay(at) && isDay(start) && isDay(end)
      ? at.add(start.until(end, { largestUnit: 'days' }))
      : undefined;
  const minutes = Math.round((momentMs(end, 'UTC') - momentMs(start, 'UTC')) / 60_000);
  return afterDuration(at, `PT${minutes}M`);
}
