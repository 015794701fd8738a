import type { ReadCalendar, ReadEvent } from '../icalendar/readCalendar';
import { inZone } from '../icalendar/readMoment';
import type { ReadOccurrence } from '../icalendar/readOccurrences';
import { occurrencesOfRead } from '../icalendar/readOccurrences';
import { safeUri } from '../icalendar/text';
import type { Term } from '../time/term';
import { momentText } from '../time/zonedWall';
import type { OutsideTime } from './outsideCalendar';

/** Nobody looks through more; a calendar with more is not a school's. */
const MOST = 20_000;

const webPage = (url: string) => (/^https?:/i.test(url) && safeUri(url) ? url : '');

function timeOf({ event, recurrenceId, ...at }: ReadOccurrence, tzid: string): OutsideTime {
  return {
    uid: recurrenceId ? `${event.uid} ${momentText(recurrenceId)}` : event.uid,
    title: at.title,
    place: at.place,
    url: webPage(event.url),
    start: inZone(at.start, tzid),
    end: at.end && inZone(at.end, tzid),
    cancelled: at.cancelled,
  };
}

type TermSpan = Pick<Term, 'startsOn' | 'endsOn' | 'tzid'>;

/** The times of one event that lie in a term and two months around it. */
export function timesOfRead(event: ReadEvent, term: TermSpan): OutsideTime[] {
  const span = { from: term.startsOn.subtract({ months: 2 }), to: term.endsOn.add({ months: 2 }) };
  return occurrencesOfRead(event, span).map((occurrence) => timeOf(occurrence, term.tzid));
}

/** Times in their order, no more than anybody looks through. */
export function inTimeOrder(times: readonly OutsideTime[]): OutsideTime[] {
  return times
    .slice(0, MOST)
    .map((time) => ({ time, key: `${momentText(time.start)} ${time.uid}` }))
    .sort((a, b) => (a.key < b.key ? -1 : 1))
    .map(({ time }) => time);
}

/** What of a calendar that was read lies in a term and two months around it, by time. */
export const outsideTimes = (calendar: ReadCalendar, term: TermSpan): OutsideTime[] =>
  inTimeOrder(calendar.events.flatMap((event) => timesOfRead(event, term)));
