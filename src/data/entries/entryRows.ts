import { Temporal } from 'temporal-polyfill';
import type { AssignmentEntry, Entry, EventEntry, Visibility } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import { instantMs, toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Moment } from '@/core/time/zonedWall';
import { isDay, momentFrom, momentText, zonedWall } from '@/core/time/zonedWall';
import { fromAudience, toAudience } from '../audiences';
import type { Rows } from '../rows';

type EntryRow = Rows['entries'];
type Parts = { audiences: readonly Rows['entry_audiences'][]; links: readonly Rows['links'][] };

function toVisibility(row: EntryRow): Visibility {
  if (row.visibility !== 'from' || row.shown_from === null)
    return { kind: row.visibility === 'draft' ? 'draft' : 'visible' };
  const from = zonedWall(row.shown_from, row.tzid);
  return { kind: 'from', from, at: toInstant(requireZone(row.tzid), from.wall) };
}

/** A row with its audience and links as an entry. */
export function toEntry(row: EntryRow, { audiences, links }: Parts): Entry {
  const common = {
    id: row.id as EntryId,
    uid: row.uid,
    title: row.title,
    description: row.description,
    audience: audiences.map(toAudience),
    links: [...links]
      .sort((a, b) => a.position - b.position)
      .map((link) => ({ url: link.url, label: link.label, staffOnly: link.staff_only === 1 })),
    visibility: toVisibility(row),
    tzid: row.tzid,
    sequence: row.sequence,
    created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
    lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
  };
  const start = momentFrom(row.start_local, row.tzid);
  if (row.kind === 'assignment') {
    return {
      ...common,
      kind: 'assignment',
      due: start,
      setOn: row.set_on === null ? undefined : Temporal.PlainDate.from(row.set_on),
      setUid: row.set_uid ?? `${row.uid}-set`,
      handIn: row.hand_in,
    } satisfies AssignmentEntry;
  }
  const end = row.end_local === null ? undefined : momentFrom(row.end_local, row.tzid);
  return {
    ...common,
    kind: 'event',
    when: isDay(start)
      ? { kind: 'days', start, end: end && isDay(end) ? end : start.add({ days: 1 }) }
      : { kind: 'timed', start, end: end && !isDay(end) ? end : undefined },
    place: row.place,
  } satisfies EventEntry;
}

/** The instant a row is indexed by: the wall time's, or the start of the day in the entry's zone. */
function indexMs(moment: Moment, tzid: string): number {
  return instantMs(requireZone(tzid), isDay(moment) ? moment.toPlainDateTime() : moment.wall);
}

export function fromEntry(entry: Entry): EntryRow {
  const start = entry.kind === 'assignment' ? entry.due : entry.when.start;
  const end = entry.kind === 'event' ? entry.when.end : undefined;
  return {
    id: entry.id,
    uid: entry.uid,
    kind: entry.kind,
    title: entry.title,
    description: entry.description,
    tzid: entry.tzid,
    start_local: momentText(start),
    end_local: end ? momentText(end) : null,
    start_at: indexMs(start, entry.tzid),
    set_on: entry.kind === 'assignment' && entry.setOn ? entry.setOn.toString() : null,
    set_uid: entry.kind === 'assignment' ? entry.setUid : null,
    place: entry.kind === 'event' ? entry.place : '',
    hand_in: entry.kind === 'assignment' ? entry.handIn : '',
    visibility: entry.visibility.kind,
    shown_from: entry.visibility.kind === 'from' ? momentText(entry.visibility.from) : null,
    sequence: entry.sequence,
    created_at: entry.created.epochMilliseconds,
    modified_at: entry.lastModified.epochMilliseconds,
  };
}

export const audienceRows = (entry: Entry, newId: () => string): Rows['entry_audiences'][] =>
  entry.audience.map((part) => ({ id: newId(), entry_id: entry.id, ...fromAudience(part) }));

export const linkRows = (entry: Entry, newId: () => string): Rows['links'][] =>
  entry.links.map((link, position) => ({
    id: newId(),
    entry_id: entry.id,
    position,
    url: link.url,
    label: link.label,
    staff_only: link.staffOnly ? 1 : 0,
  }));
