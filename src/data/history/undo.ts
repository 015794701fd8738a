import type { EntryId, HistoryId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { Rows, Table } from '../rows';
import type { Change, RowChange } from './change';
import type { InTheWay } from './references';
import { withNames } from './personRefs';
import { hangingOn } from './references';
import type { StampScope } from './stamps';
import { coursesAmong } from './stamps';

export type HistoryRecord = Readonly<{
  id: string;
  atMs: number;
  actor: string | null;
  /** The use case that did it. */
  act: string;
  summary: string;
  scopes: readonly StampScope[];
  courses: readonly string[];
  changes: readonly RowChange[];
  undone: boolean;
}>;

export async function historyRecord(reader: Reader, id: HistoryId): Promise<HistoryRecord | undefined> {
  const [row] = await select<{
    id: string;
    at: number;
    actor_id: string | null;
    act: string;
    summary: string;
    scopes: string;
    changes: string;
    undone_at: number | null;
  }>(reader, 'SELECT * FROM history WHERE id = :id', { id });
  if (!row) return undefined;
  const scopes = JSON.parse(row.scopes) as StampScope[];
  return {
    id: row.id,
    atMs: row.at,
    actor: row.actor_id,
    act: row.act,
    summary: row.summary,
    scopes,
    courses: coursesAmong(scopes),
    changes: JSON.parse(row.changes) as RowChange[],
    undone: row.undone_at !== null,
  };
}

/** Columns that only grow: readers of a feed must see an undone change as a newer one. */
const GROWING = new Set(['sequence', 'modified_at']);

const asLeft = (row: Record<string, unknown> | undefined, left: Record<string, unknown> | null): boolean => {
  if (!row || !left) return !row && !left;
  return Object.keys(left).every((key) => GROWING.has(key) || row[key] === left[key]);
};

/** What keeps an act from being undone: rows that have changed again since, and what others have hung on them. */
export type Obstacles = Readonly<{ laterChanges: readonly Table[]; inTheWay: readonly InTheWay[] }>;

/**
 * Puts the rows of a change back as they were, sequence and modification time excepted, which grow.
 * Where something keeps it from that nothing is written: nothing that somebody else has made goes along.
 */
export async function putBack(change: Change, record: HistoryRecord): Promise<Obstacles> {
  const reversed = [...record.changes].reverse();
  const currentOf = async ({ table, id }: RowChange) =>
    (await select<Record<string, unknown>>(change, `SELECT * FROM ${table} WHERE id = :id`, { id }))[0];
  const current = new Map<RowChange, Record<string, unknown> | undefined>();
  // A row may have changed more than once in one act: only the last state of each is compared.
  const seen = new Set<string>();
  const laterChanges = new Set<Table>();
  for (const row of reversed) {
    const now = await currentOf(row);
    current.set(row, now);
    if (!seen.has(row.id) && !asLeft(now, row.after)) laterChanges.add(row.table);
    seen.add(row.id);
  }
  const goes = ({ table, id, before }: RowChange) =>
    !before && current.get(firstOf(table, id)!) !== undefined;
  const firstOf = (table: Table, id: string) => reversed.find((row) => row.table === table && row.id === id);
  const going = new Set(reversed.filter(goes).map(({ table, id }) => `${table} ${id}`));
  const inTheWay: InTheWay[] = [];
  for (const row of reversed.filter(goes)) inTheWay.push(...(await hangingOn(change, row, going)));
  if (laterChanges.size > 0 || inTheWay.length > 0) return { laterChanges: [...laterChanges], inTheWay };
  for (const row of reversed) {
    if (!row.before) await change.remove(row.table, row.id);
    else {
      const latest = current.get(row) ?? row.after ?? row.before;
      // What was taken away was told under the next sequence: what comes back has to be newer than that.
      const by = row.after ? 1 : 2;
      const grown = {
        ...('sequence' in row.before ? { sequence: Number(latest.sequence) + by } : {}),
        ...('modified_at' in row.before ? { modified_at: change.nowMs } : {}),
      };
      const back = { ...row.before, ...grown } as unknown as Rows[Table];
      if (row.after) await change.update(row.table, row.id, back);
      else await change.insert(row.table, [back]);
    }
  }
  return { laterChanges: [], inTheWay: [] };
}

export async function markUndone(change: Change, id: string): Promise<void> {
  await run(change, 'UPDATE history SET undone_at = :now WHERE id = :id', { id, now: change.nowMs });
}

/** The acts that touched an entry or what hangs on it, newest first, at most 50. */
export async function historyOfEntry(
  reader: Reader,
  entry: EntryId,
  gone: string,
): Promise<{ id: string; at: string; summary: string; by: string; undone: boolean }[]> {
  const rows = await select<{
    id: string;
    at: number;
    summary: string;
    by: string | null;
    undone_at: number | null;
  }>(
    reader,
    `SELECT history.id, history.at, history.summary, people.name AS by, history.undone_at FROM history
     LEFT JOIN people ON people.id = history.actor_id
     WHERE history.id IN (SELECT history_id FROM events WHERE subject = :entry)
     ORDER BY history.at DESC,
       COALESCE((SELECT MAX(events.id) FROM events WHERE events.history_id = history.id), 0) DESC, history.id LIMIT 50`,
    { entry },
  );
  return (await withNames(reader, rows, gone)).map((row) => ({
    id: row.id,
    at: new Date(row.at).toISOString(),
    summary: row.summary,
    by: row.by ?? '',
    undone: row.undone_at !== null,
  }));
}
