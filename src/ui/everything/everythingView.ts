import type { Temporal } from 'temporal-polyfill';
import type { Link } from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import type { SeenEntry } from '@/core/entries/seenBy';
import type { LinkTest } from '@/core/links/linkTest';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { weekNumber } from '@/core/time/term';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import type { PlanItem } from '../plan/planItem';
import { dayLine } from '../student/dayLines';
import type { Tag } from '../term/termMarks';
import type { SeenTerm } from '../term/termView';
import { planItemOf } from '../term/termMarks';

/** The worst that is known of its links. */
export type RowLinks = 'none' | 'fine' | 'untested' | 'moved' | 'fails';

/** Title, day and time as they are typed in a line; `timed` where it can have a time. */
export type EditableLine = Readonly<{
  sequence: number;
  title: string;
  day: string;
  time: string;
  timed: boolean;
}>;

/** One line of the list, as plain text. */
export type EverythingRow = PlanItem &
  Readonly<{
    /** One of a kind in the list; stays when the date of what was planned once changes. */
    id: string;
    kind: Occurrence['kind'];
    week: number;
    day: string;
    time: string;
    tags: readonly Tag[];
    detail: string;
    off: boolean;
    release: Occurrence['release'];
    /** How the links of an entry or class answered; `none` where it has no links. For its staff alone. */
    links: RowLinks;
    /** The first outside address of its links, or nothing. */
    link: string;
    /** The last day of what goes over several, as `2026-11-13`; else empty. */
    until: string;
    /** What can be changed in the line itself. */
    line?: EditableLine;
  }>;

function lineOf(entry: SeenEntry): EditableLine {
  const moment = mainMoment(entry);
  const day = momentText(dayOf(moment));
  const time = isDay(moment) ? '' : timeLabel(moment.wall);
  return { sequence: entry.sequence, title: entry.title, day, time, timed: entry.kind !== 'announcement' };
}

const isOutside = (url: string) => /^https?:/i.test(url);

function lastDayOf({ start, end }: Occurrence): string {
  if (!end) return '';
  const last = isDay(end) ? end.subtract({ days: 1 }) : dayOf(end);
  return last.equals(dayOf(start)) ? '' : last.toString();
}

function linksOf(links: readonly Link[], tests: ReadonlyMap<string, LinkTest>): RowLinks {
  if (links.length === 0) return 'none';
  const outside = links.filter(({ url }) => isOutside(url));
  const states = outside.map(({ url }) => tests.get(url)?.state);
  if (states.includes('fails')) return 'fails';
  if (states.includes('moved')) return 'moved';
  return states.includes(undefined) ? 'untested' : 'fine';
}

/** Everything between two days, both included, one line each, in the order of time. */
export function everythingView(
  { plan, term, occurrences, mayMove }: SeenTerm,
  {
    from,
    to,
    tests,
  }: { from: Temporal.PlainDate; to: Temporal.PlainDate; tests: ReadonlyMap<string, LinkTest> },
): EverythingRow[] {
  const entryOf = new Map(plan.entries.map((entry) => [entry.id, entry]));
  return touching(occurrences)(from, to).map((o) => {
    const { title, time, tags, detail, off } = dayLine(o, plan);
    const entry = 'entry' in o && o.kind !== 'set' && !o.recurrenceId ? entryOf.get(o.entry) : undefined;
    const item = planItemOf(o, mayMove);
    return {
      ...item,
      id: 'entry' in o && !o.recurrenceId ? o.uid : item.key,
      line: entry && mayMove(entry.id) && !(o.kind === 'due' && o.variant) ? lineOf(entry) : undefined,
      title,
      kind: o.kind,
      week: weekNumber(term, dayOf(o.start)) ?? 0,
      day: dateLabel(dayOf(o.start), 'short', plan.locale),
      time,
      tags,
      detail,
      off,
      release: o.release,
      links: 'links' in o ? linksOf(o.links, tests) : 'none',
      link: ('links' in o && o.links.find(({ url }) => isOutside(url))?.url) || '',
      until: lastDayOf(o),
    };
  });
}
