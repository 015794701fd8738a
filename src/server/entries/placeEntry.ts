import { Temporal } from 'temporal-polyfill';
import type { Entry, EventEntry } from '@/core/entries/entry';
import { detached } from '@/core/entries/classDates';
import { mainMoment } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { isSeries, overrideOccurrence, remapped } from '@/core/series/editSeries';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import type { ZonedWall } from '@/core/time/zonedWall';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { occurrenceAt } from './occurrenceAt';
import { entryFor, saveEntry } from './saveEntry';

type Place = Readonly<{
  start: Temporal.PlainDateTime;
  /** Absent: as long as it was. */
  end?: Temporal.PlainDateTime;
  recurrenceId?: Temporal.PlainDate | Temporal.PlainDateTime;
}>;

/** Puts a timed entry at another time of day, or gives it another end: what is drawn in the week. */
export function placeEntry(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  place: Place,
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'placeEntry', async (change) => {
    const found = await entryFor(change, actor, 'placeEntry', id);
    if (!found.ok) return found;
    const before = found.value;
    if (place.end && Temporal.PlainDateTime.compare(place.start, place.end) >= 0)
      return refused('badRequest', [
        { field: 'end', message: 'It ends before it starts. Choose a later end.' },
      ]);
    const after = placed(before, place);
    if (!after)
      return refused('badRequest', [{ field: 'start', message: 'This has no time of day to be moved.' }]);
    const { locale } = await schoolSettings(change);
    const when = momentLabel({ wall: place.start, tzid: before.tzid }, locale);
    change.summarise(historyTexts.moved({ title: before.title, when }));
    return saveEntry(change, after, { actor, act: 'placeEntry', before });
  });
}

function placed(entry: Entry, place: Place): Entry | undefined {
  const start: ZonedWall = { wall: place.start, tzid: entry.tzid };
  if (!('wall' in mainMoment(entry))) return undefined;
  switch (entry.kind) {
    case 'assignment':
      return { ...detached(entry, ['due']), due: start };
    case 'note':
      return { ...entry, on: start };
    case 'announcement':
      return undefined;
    case 'event':
      return placedEvent(entry, start, place);
    default:
      return entry satisfies never;
  }
}

function placedEvent(
  entry: EventEntry,
  start: ZonedWall,
  { end, recurrenceId }: Place,
): EventEntry | undefined {
  if (entry.when.kind === 'days') return undefined;
  const { when } = entry;
  const length = when.end && when.start.wall.until(when.end.wall);
  const wallEnd = end ?? (length && start.wall.add(length));
  const ends = wallEnd && { wall: wallEnd, tzid: entry.tzid };
  const moved = { kind: 'timed', start, end: ends } as const;
  if (!isSeries(entry)) return { ...entry, when: moved };
  // What was skipped and changed singly keeps its place in the series.
  if (!recurrenceId) return remapped(entry, { ...entry, when: moved }).series;
  const at = occurrenceAt(entry, recurrenceId);
  return at ? overrideOccurrence(entry, at, { start, end: ends }) : undefined;
}
