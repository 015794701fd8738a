import type { Override, Recurrence } from '@/core/series/recurrence';
import { momentFrom, momentText } from '@/core/time/zonedWall';
import type { Rows } from '../rows';

type StoredOverride = Readonly<{
  recurrenceId: string;
  start?: string;
  end?: string;
  title?: string;
  place?: string;
  description?: string;
  cancelled?: string;
}>;

/** The rule of a series, with the days and single occurrences that differ. */
export function toRecurrence(row: Rows['entries']): Recurrence | undefined {
  if (row.rrule === null) return undefined;
  const moment = (text: string) => momentFrom(text, row.tzid);
  const optional = (text: string | undefined) => (text === undefined ? undefined : moment(text));
  const stored = JSON.parse(row.overrides ?? '[]') as StoredOverride[];
  return {
    rrule: row.rrule,
    exdates: (JSON.parse(row.exdates ?? '[]') as string[]).map(moment),
    ...(row.closed === null || row.closed === undefined
      ? {}
      : { closed: (JSON.parse(row.closed) as string[]).map(moment) }),
    overrides: stored.map((o): Override => ({
      ...o,
      recurrenceId: moment(o.recurrenceId),
      start: optional(o.start),
      end: optional(o.end),
    })),
  };
}

/** A single occurrence as it is stored. */
export const fromOverride = ({ recurrenceId, start, end, ...others }: Override): StoredOverride => ({
  ...others,
  recurrenceId: momentText(recurrenceId),
  ...(start ? { start: momentText(start) } : {}),
  ...(end ? { end: momentText(end) } : {}),
});
