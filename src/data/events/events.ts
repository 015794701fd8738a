import { Temporal } from 'temporal-polyfill';
import type { Entry } from '@/core/entries/entry';
import type { EventPayload, EventType, Happening } from '@/core/events/event';
import type { HistoryId, PersonId } from '@/core/ids';
import { fromAudience } from '../audiences';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { extensionRows, fromEntry, toEntry } from '../entries/entryRows';
import type { StampScope } from '../history/stamps';
import type { Rows } from '../rows';
import { numberInOrder } from '../postgres/commits';
import { insertNumbered, insertRows } from '../statements';

/** An event as it is stored: `id` grows in the order of the commits, `at` is the moment of the act. */
export type StoredEvent = Readonly<{
  id: number;
  at: Temporal.Instant;
  /** Absent: the process did it, or whoever did it is gone. */
  actor?: PersonId;
  history?: HistoryId;
  type: EventType;
  subject: string;
  payload: EventPayload;
}>;

type EntryState = NonNullable<NonNullable<EventPayload['entry']>['before']>;

/** An entry as events keep it: without its text, and by ids alone. */
export function stateOfEntry(entry: Entry): EntryState {
  const { description: _, ...row } = fromEntry(entry);
  if (entry.kind === 'note') return { row, audiences: [], extensions: [] };
  return {
    row,
    audiences: entry.audience.map(fromAudience),
    extensions: extensionRows(entry).map(({ id: _id, entry_id: _entry, ...rest }) => rest),
  };
}

/** An entry as an event kept it. Columns that the tables have got since are empty. */
export function entryOfState({ row, audiences, extensions }: EntryState): Entry {
  const named = (rows: typeof extensions) => rows.map((each) => ({ ...each, person_name: '' }));
  return toEntry({ description: '', ...row } as unknown as Rows['entries'], {
    audiences: audiences as unknown as Rows['entry_audiences'][],
    links: [],
    extensions: named(extensions) as unknown as Parameters<typeof toEntry>[1]['extensions'],
    replies: [],
  });
}

type Done = Readonly<{ atMs: number; actor: string | null; history: string | null }>;

/** Writes what happened, in the order given. Nobody else numbers meanwhile: the last ids are theirs, and all that is numbered before is committed. */
export async function insertEvents(
  writer: Writer,
  { atMs, actor, history }: Done,
  happenings: readonly Happening<StampScope>[],
): Promise<void> {
  await numberInOrder(writer);
  const rows = happenings.map(({ type, subject, payload }) => ({
    at: atMs,
    actor_id: actor,
    history_id: history,
    type,
    subject,
    payload: JSON.stringify(payload),
  }));
  const ids = await insertNumbered(writer, 'events', rows);
  const scopes = happenings.flatMap((happening, n) =>
    [...new Set(happening.scopes)].map((scope) => ({ scope, event_id: ids[n]! })),
  );
  await insertRows(writer, 'event_scopes', scopes);
}

type Row = Readonly<{ id: number; at: number; actor_id: PersonId | null; history_id: HistoryId | null; type: EventType; subject: string; payload: string }>; // prettier-ignore

const toEvent = ({ id, at, actor_id, history_id, type, subject, payload }: Row): StoredEvent => ({
  id,
  at: Temporal.Instant.fromEpochMilliseconds(at),
  ...(actor_id ? { actor: actor_id } : {}),
  ...(history_id ? { history: history_id } : {}),
  type,
  subject,
  payload: JSON.parse(payload) as EventPayload,
});

/**
 * The first event about each thing of some courses and people after an instant, oldest first: how it stood then. However much happened
 * elsewhere, and however often to one thing, is not read.
 */
export async function firstEventsSince(
  reader: Reader,
  scopes: readonly StampScope[],
  sinceMs: number,
): Promise<StoredEvent[]> {
  if (scopes.length === 0) return [];
  const rows = await select<Row>(
    reader,
    `SELECT * FROM events WHERE id IN (
       SELECT MIN(event_id) FROM event_scopes JOIN events AS of_scope ON of_scope.id = event_id
       WHERE scope IN (:scopes) AND event_id >= (SELECT COALESCE(MIN(id), 0) FROM events WHERE at > :sinceMs)
         AND of_scope.at > :sinceMs AND of_scope.subject <> '' AND of_scope.type <> 'replied'
       GROUP BY of_scope.subject) ORDER BY id`,
    { scopes, sinceMs },
  );
  return rows.map(toEvent);
}

/** What happened to one thing, oldest first. */
export async function eventsAbout(reader: Reader, subject: string): Promise<StoredEvent[]> {
  return (await select<Row>(reader, 'SELECT * FROM events WHERE subject = :subject ORDER BY id', { subject })).map(toEvent); // prettier-ignore
}

/** What one act did. */
export async function eventsOfAct(reader: Reader, history: HistoryId): Promise<StoredEvent[]> {
  return (await select<Row>(reader, 'SELECT * FROM events WHERE history_id = :history ORDER BY id', { history })).map(toEvent); // prettier-ignore
}
