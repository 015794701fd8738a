import { Temporal } from 'temporal-polyfill';
import type { EntryId } from '../ids';
import type { ZoneLookup } from '../time/zone';
import { toInstant } from '../time/zone';
import { isDay, momentText } from '../time/zonedWall';
import type { Occurrence } from './occurrence';

/** How many minutes before due work and taken times somebody wants a letter; absent: none. */
export type RemindersWanted = Readonly<{ due?: number; booking?: number }>;

/** A reminder whose time has come; `key` is of this work or time at this moment: moved, it is reminded of anew. */
export type DueReminder = Readonly<{ key: string; occurrence: Occurrence }>;

/** What is due on a day, at no time of it, is reminded of as if it were due at this time. */
const MORNING = Temporal.PlainTime.from('08:00');
/** For so long a reminder that was missed is still made up for. */
const LATE_MS = 3_600_000;

/** The reminders of one person that are due now: nothing that is over, called off or done. */
export function dueReminders(
  occurrences: readonly Occurrence[],
  wanted: RemindersWanted,
  { now, zoneOf, done }: Readonly<{ now: Temporal.Instant; zoneOf: ZoneLookup; done: ReadonlySet<EntryId> }>,
): DueReminder[] {
  const nowMs = now.epochMilliseconds;
  return occurrences.flatMap((o) => {
    const minutes = o.kind === 'due' ? wanted.due : o.kind === 'booking' && o.mine ? wanted.booking : undefined;
    if (minutes === undefined || o.cancelled !== undefined || (o.kind === 'due' && done.has(o.entry))) return [];
    const { start } = o;
    const wall = isDay(start) ? start.toPlainDateTime(MORNING) : start.wall;
    const startMs = toInstant(zoneOf(o.tzid), wall).epochMilliseconds;
    const at = startMs - minutes * 60_000;
    if (startMs <= nowMs || at > nowMs || at <= nowMs - LATE_MS) return [];
    return [{ key: `${o.uid} ${momentText(start)}`, occurrence: o }];
  });
} // prettier-ignore
