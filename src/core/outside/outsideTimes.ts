import type { ReadCalendar } from '../icalendar/readCalendar';
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

/** What of a calendar that was read lies in a term and two months around it, by time. */
export function outsideTimes(
  calendar: ReadCalendar,
  term: Pick<Term, 'startsOn' | 'endsOn' | 'tzid'>,
): OutsideTime[] {
  const span = { from: term.startsOn.subtract({ months: 2 }), to: term.endsOn.add({ months: 2 }) };
  return calendar.events
    .flatMap((event) => occurrencesOfRead(event, span))
    .slice(0, MOST)
    .map((occurrence) => timeOf(occurrence, term.tzid))
    .sort((a, b) => (key(a) < key(b) ? -1 : 1));
}

const key = (time: OutsideTime) => `${momentText(time.start)} ${time.uid}`;
