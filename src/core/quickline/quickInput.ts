import { numberOf } from '../time/classNumber';
import { Temporal } from 'temporal-polyfill';
import type { EntryInputJson } from '../entries/entryInput';
import { rruleOf } from '../series/rule';
import type { QuickContext, QuickEntry, QuickMoment } from './quickEntry';

const momentText = (moment: QuickMoment | undefined): string | undefined =>
  moment?.kind === 'date' ? (moment.time ? `${moment.date}T${moment.time}` : moment.date) : undefined;

const classRef = (moment: QuickMoment | undefined) =>
  moment?.kind === 'class' ? { ...numberOf(moment), edge: moment.edge } : undefined;

function ruleOf({ repeat, on }: QuickEntry, { term }: QuickContext): string | undefined {
  if (!repeat || !on) return undefined;
  const { unit, every, weekdays, until, count } = repeat;
  const first = Temporal.PlainDate.from(on.date);
  return rruleOf(
    {
      every,
      pattern:
        unit === 'days'
          ? { kind: 'days' }
          : { kind: 'weeks', weekdays: weekdays.length > 0 ? weekdays : [first.dayOfWeek] },
      ends: until
        ? { kind: 'date', until: Temporal.PlainDate.from(until) }
        : count
          ? { kind: 'count', count }
          : { kind: 'term' },
    },
    first,
    term,
  );
}

const nextDay = (date: string) => Temporal.PlainDate.from(date).add({ days: 1 }).toString();

/** When an event takes place: whole days where no time is said. */
function whenOf(on: NonNullable<QuickEntry['on']>): { start: string; end?: string } {
  const { date, lastDay, start, end } = on;
  if (start && lastDay) return { start: `${date}T${start}`, end: `${lastDay}T${end ?? '23:59'}` };
  if (start) return { start: `${date}T${start}`, ...(end ? { end: `${date}T${end}` } : {}) };
  return { start: date, end: nextDay(lastDay ?? date) };
}

/** What a read line is sent as, to be planned like anything else. */
export function quickInput(entry: QuickEntry, context: QuickContext): EntryInputJson {
  const { title, on } = entry;
  const day = on?.date ?? '';
  if (entry.kind === 'note') return { kind: 'note', title, on: on?.start ? `${day}T${on.start}` : day };
  const shared = {
    title,
    audience: entry.courses.map(({ course, sections }) => ({
      course,
      ...(sections ? { sections: [...sections] } : {}),
    })),
    links: entry.links.map((url) => ({ url })),
    ...(entry.draft ? { visibility: { kind: 'draft' as const } } : {}),
  };
  switch (entry.kind) {
    case 'announcement':
      return { ...shared, kind: 'announcement', on: day };
    case 'assignment': {
      const { setOn, opens, due, closes } = entry;
      const atClass = {
        setOn: classRef(setOn),
        opens: classRef(opens),
        due: classRef(due),
        closes: classRef(closes),
      };
      return {
        ...shared,
        kind: 'assignment',
        setOn: setOn?.kind === 'date' ? setOn.date : undefined,
        opens: momentText(opens),
        due: momentText(due),
        closes: momentText(closes),
        ...(Object.values(atClass).some(Boolean) ? { atClass } : {}),
      };
    }
    case 'event': {
      const rrule = ruleOf(entry, context);
      // As in the form: a series leaves out days without classes unless somebody says otherwise.
      const repeating = rrule ? { rrule, skipsClosures: true } : {};
      return { ...shared, kind: 'event', ...whenOf(on!), place: entry.place, ...repeating };
    }
    default:
      return entry.kind satisfies never;
  }
}
