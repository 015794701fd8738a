import { Temporal } from 'temporal-polyfill';
import { timeLabel } from '@/core/time/dateLabels';
import { wallFrom } from '@/core/time/zonedWall';
import type { PanelEntry } from '../entries/panelData';
import type { Occurrence, PanelState, Scope } from './panelState';

/** The last day of one that lasts: a whole day's end is the day after it. */
const lastDayOf = ({ start, end = start }: Occurrence): string => {
  const last = Temporal.PlainDate.from(end.slice(0, 10));
  return (end.includes('T') || end === start ? last : last.subtract({ days: 1 })).toString();
};

/** Editing a part of a series begins with how that occurrence stands; all of it with the series itself. */
export function editing(entry: PanelEntry, scope: Scope, occurrence?: Occurrence): PanelState {
  const own = scope === 'all' ? undefined : occurrence;
  const said = scope === 'this' && own ? entry.singles?.[own.recurrenceId] : undefined;
  const timeOf = (text: string | undefined) => (text?.includes('T') ? timeLabel(wallFrom(text)) : '');
  return {
    kind: 'edit',
    id: entry.id,
    sequence: entry.sequence,
    scope,
    recurrenceId: own?.recurrenceId,
    draft: own
      ? {
          ...entry.draft,
          day: own.start.slice(0, 10),
          lastDay: entry.draft.lastDay && lastDayOf(own),
          starts: timeOf(own.start),
          ends: timeOf(own.end),
          ...(said?.title === undefined ? {} : { title: said.title }),
          ...(said?.place === undefined ? {} : { place: said.place }),
          ...(said?.description === undefined ? {} : { description: said.description }),
        }
      : entry.draft,
  };
}
