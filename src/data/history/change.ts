import { randomUUID } from 'node:crypto';
import type { Rows, Table } from '../rows';
import { select } from '../database';
import { deleteRows, insertRows, updateRows } from '../statements';
import type { Writer } from '../reader';
import type { WriteQueue } from '../writeQueue';
import type { Happening } from '@/core/events/event';
import { insertEvents } from '../events/events';
import type { StampScope } from './stamps';
import { bumpStamps } from './stamps';

type PlainRow = Readonly<Record<string, unknown> & { id: string }>;

/** One row as it was and as it became: what undo, "changed since you looked" and accountability read. */
export type RowChange = Readonly<{
  table: Table;
  id: string;
  before: PlainRow | null;
  after: PlainRow | null;
}>;

export type Act = Readonly<{
  /** The use case, e.g. `planEntry`. */
  act: string;
  /** What happened, for people: `Moved Half-breadth plan`. */
  summary: string;
  actor: string | null;
  nowMs: number;
  /** What it decides about, where that is all it reads: see `WriteOptions`. */
  locks?: readonly string[];
}>;

/** A write in progress. All rows that people can see are written through it, so that the history is complete. */
export type Change = Writer &
  Readonly<{
    nowMs: number;
    insert: <T extends Table>(table: T, rows: readonly Rows[T][]) => Promise<void>;
    update: <T extends Table>(table: T, id: string, patch: Partial<Rows[T]>) => Promise<void>;
    remove: (table: Table, id: string) => Promise<void>;
    /** Whose pages and outlets the change concerns. */
    concerns: (...scopes: readonly StampScope[]) => void;
    /** Says what happened, in the order of the calls. */
    tell: (happening: Happening<StampScope>) => void;
    /** The scopes named so far. */
    concerned: () => readonly StampScope[];
    /** What the act is called by now. */
    actsAs: () => string;
    /** Replaces the act's summary once the work knows better. */
    summarise: (summary: string) => void;
    /** Replaces the act's name: an undoing is named after what it undid. */
    actAs: (act: string) => void;
  }>;

export type Recorded<T> = Readonly<{ result: T; history?: string }>;

/**
 * Runs `work` in one transaction of the queue and writes what it changed, before and after, to the history.
 * `history` is the id by which the change can be undone; absent when nothing was written.
 */
export async function recordChange<T>(
  queue: WriteQueue,
  act: Act,
  work: (change: Change) => Promise<T>,
  first?: () => Promise<void>,
): Promise<Recorded<T>> {
  const record = async (writer: Writer): Promise<Recorded<T> & Outdating> => {
    const changes: RowChange[] = [];
    const scopes = new Set<StampScope>();
    const happenings: Happening<StampScope>[] = [];
    let { summary, act: name } = act;
    const current = async (table: Table, id: string): Promise<PlainRow | undefined> =>
      (await select<PlainRow>(writer, `SELECT * FROM ${table} WHERE id = :id`, { id }))[0];

    const change: Change = {
      ...writer,
      nowMs: act.nowMs,
      async insert(table, rows) {
        await insertRows(writer, table, rows);
        for (const row of rows) changes.push({ table, id: row.id, before: null, after: { ...row } });
      },
      async update(table, id, patch) {
        const before = await current(table, id);
        if (!before) throw new Error(`No row ${id} in ${table}`);
        const after = { ...before, ...patch, id };
        if (sameRow(before, after)) return;
        await updateRows(writer, table, patch, { id });
        changes.push({ table, id, before, after });
      },
      async remove(table, id) {
        const before = await current(table, id);
        if (!before) return;
        await deleteRows(writer, table, { id });
        changes.push({ table, id, before, after: null });
      },
      concerns: (...more) => more.forEach((scope) => scopes.add(scope)),
      tell: (happening) => void happenings.push(happening),
      concerned: () => [...scopes],
      actsAs: () => name,
      summarise: (text) => (summary = text),
      actAs: (text) => (name = text),
    };

    const result = await work(change);
    // Without a row of its own an act may have written beside the history: then nobody's reads are sure.
    if (changes.length === 0) return { result, outdates: undefined };
    const id = randomUUID();
    await insertRows(writer, 'history', [
      {
        id,
        at: act.nowMs,
        actor_id: act.actor,
        act: name,
        summary,
        scopes: JSON.stringify([...scopes]),
        changes: JSON.stringify(changes),
        undone_at: null,
      },
    ]);
    const acted: Happening<StampScope> = {
      type: 'acted',
      subject: '',
      scopes: [...scopes],
      payload: { act: name },
    };
    const told = happenings.length > 0 ? happenings : [acted];
    await insertEvents(writer, { atMs: act.nowMs, actor: act.actor, history: id }, told);
    await bumpStamps(writer, scopes, act.nowMs);
    const known = scopes.size > 0 && changes.every(({ table }) => SCOPED.has(table));
    return { result, history: id, outdates: known ? [...scopes] : undefined };
  };
  const { locks } = act;
  const { outdates: _, ...recorded } = await queue.write(record, {
    first,
    locks,
    outdates: (done) => done.outdates,
  });
  return recorded as Recorded<T>;
}

/** Whose reads an act outdates; undefined: everybody's. */
type Outdating = Readonly<{ outdates: readonly StampScope[] | undefined }>;

/**
 * Tables of which every change says whose it is (`concerns`): reads of other courses and people stay as they were. A change
 * of any other table (who is where, when terms and classes are) outdates everything.
 */
const SCOPED: ReadonlySet<Table> = new Set([
  'entries', 'entry_audiences', 'links', 'extensions', 'replies', 'class_plans', 'plan_bindings', 'sheets', 'sheet_audiences',
  'hosts', 'slots', 'bookings', 'waiting', 'outlets', 'gone_addresses', 'tombstones', 'done_marks', 'person_settings',
  'own_starts',
]); // prettier-ignore

const sameRow = (a: PlainRow, b: PlainRow) => Object.keys(b).every((key) => a[key] === b[key]);
