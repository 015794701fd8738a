import { LIST_COLUMNS } from '../exchange/list/listColumns';
import type { PlanLine } from '../exchange/list/listFormat';
import type { ReadCalendar, ReadEvent } from '../icalendar/readCalendar';
import { inZone } from '../icalendar/readMoment';
import type { ReadOccurrence } from '../icalendar/readOccurrences';
import { occurrencesOfRead } from '../icalendar/readOccurrences';
import { entryTexts } from '../texts/entries';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentText } from '../time/zonedWall';
import { CLOSURE } from './lineKind';
import { isWork } from './scheduleReader';

type Cells = Partial<Record<keyof PlanLine, string>>;

/** For so long after it began a series is looked through: longer than any term. */
const LONGEST_DAYS = 400;

const clock = (moment: Moment) => momentText(moment).slice(11, 16);

/** What an event is, where that is plain: tasks are due, days without classes close; what sounds like work is asked. */
function kindOf({ kind, title }: Pick<ReadEvent, 'kind' | 'title'>, isWholeDay: boolean): string {
  if (kind === 'task') return entryTexts.kind.due;
  if (isWholeDay && CLOSURE.test(title)) return entryTexts.kind.closure;
  return isWork(title) ? '' : entryTexts.kind.event;
}

function cellsOf({ event, title, cancelled, ...at }: ReadOccurrence, tzid: string): Cells {
  const start = inZone(at.start, tzid);
  const end = at.end && inZone(at.end, tzid);
  const last = end && (isDay(end) ? end.subtract({ days: 1 }) : dayOf(end));
  const until = last && !last.equals(dayOf(start)) ? momentText(last) : '';
  const time = isDay(start)
    ? ''
    : [clock(start), end && !isDay(end) ? clock(end) : ''].filter(Boolean).join('–');
  return {
    date: momentText(dayOf(start)),
    until,
    time,
    kind: kindOf({ kind: event.kind, title }, isDay(start)),
    title,
    link: /^https?:/i.test(event.url) ? event.url : '',
    shown: cancelled ? entryTexts.cancelledShort : '',
  };
}

/**
 * A calendar file as a list with the heads of a saved one, cells apart by tabs: a row for each time at which something takes
 * place, in the zone `tzid`. What could not be read stands there by its title, so that its day is asked.
 */
export function calendarAsList({ events, skipped }: ReadCalendar, tzid: string): string[] {
  const rows = events.flatMap((event) => {
    const from = dayOf(event.start);
    return occurrencesOfRead(event, { from, to: from.add({ days: LONGEST_DAYS }) }).map((o) => cellsOf(o, tzid)); // prettier-ignore
  });
  const unread = skipped.flatMap(({ title }): Cells[] => (title ? [{ title, kind: entryTexts.kind.event }] : [])); // prettier-ignore
  const inOrder = rows.sort((a, b) => (`${a.date} ${a.time}` < `${b.date} ${b.time}` ? -1 : 1));
  const cells = [...inOrder, ...unread].map((row) =>
    LIST_COLUMNS.map(([key]) => (row[key] ?? '').replace(/\s+/g, ' ').trim()).join('\t'),
  );
  return [LIST_COLUMNS.map(([, name]) => name).join('\t'), ...cells];
}
