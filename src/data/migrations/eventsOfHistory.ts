import type { EventType, Happening } from '@/core/events/event';
import { select } from '../database';
import { insertEvents } from '../events/events';
import type { RowChange } from '../history/change';
import type { StampScope } from '../history/stamps';
import type { Writer } from '../reader';

type Act = Readonly<{
  id: string;
  at: number;
  actor_id: string | null;
  act: string;
  scopes: string;
  changes: string;
}>;
type Plain = Readonly<Record<string, unknown>>; // prettier-ignore

const AT_ONCE = 500;

/** What an act of before did to an entry, by its rows: audiences and extensions that it wrote go with it. */
function entryTypeOf(before: Plain | null, after: Plain | null): EventType {
  if (!before) return 'entryAdded';
  if (!after) return 'entryDeleted';
  if (before.cancelled === null && after.cancelled !== null) return 'entryCalledOff';
  if (before.cancelled !== null && after.cancelled === null) return 'entryReinstated';
  if (before.visibility !== 'draft' && after.visibility === 'draft') return 'entryWithdrawn';
  if (before.visibility === 'draft' && after.visibility !== 'draft') return 'entryShown';
  return before.start_local !== after.start_local ? 'entryMoved' : 'entryChanged';
}

/** Whom an entry is for at present; in the acts of before only what they wrote of it is known. */
async function audiencesNow(writer: Writer): Promise<ReadonlyMap<string, readonly Plain[]>> {
  const rows = await select<{ entry_id: string }>(writer, 'SELECT * FROM entry_audiences');
  const byEntry = new Map<string, Plain[]>();
  for (const { entry_id: entry, ...row } of rows as readonly ({ entry_id: string } & Plain)[])
    byEntry.set(entry, [...(byEntry.get(entry) ?? []), row]);
  return byEntry;
}

const written = (changes: readonly RowChange[], entry: string, side: 'before' | 'after'): Plain[] =>
  changes.flatMap((change) => {
    const row = change[side] as Plain | null;
    return change.table === 'entry_audiences' && row?.entry_id === entry ? [row] : [];
  });

const without = (row: Plain, ...names: readonly string[]): Plain =>
  Object.fromEntries(Object.entries(row).filter(([name]) => !names.includes(name)));

/** Tells what the history knows of entries and classes as events, in its order, so that news and lines of trust go on. */
export async function eventsOfHistory(writer: Writer): Promise<void> {
  const present = await audiencesNow(writer);
  for (let from = 0; ; from += AT_ONCE) {
    const acts = await select<Act>(writer, `SELECT id, at, actor_id, act, scopes, changes FROM history ORDER BY at, rowid LIMIT ${AT_ONCE} OFFSET :from`, { from }); // prettier-ignore
    for (const act of acts) {
      const changes = JSON.parse(act.changes) as RowChange[];
      const scopes = (JSON.parse(act.scopes) as string[]).filter((scope) => scope.startsWith('course:'));
      for (const { table, id, before, after } of changes) {
        const row = (after ?? before) as Plain;
        if (table !== 'entries' || row.kind === 'note') continue;
        const state = (side: 'before' | 'after', of: Plain | null) => {
          if (!of) return null;
          const own = written(changes, id, side);
          const audiences = own.length > 0 ? own : (present.get(id) ?? []);
          return {
            row: without(of, 'description'),
            audiences: audiences.map((each) => without(each, 'id', 'entry_id')),
            extensions: [],
          };
        };
        const payload = { entry: { before: state('before', before), after: state('after', after) } };
        const happening = { type: entryTypeOf(before, after), subject: id, scopes, payload };
        await insertEvents(writer, { atMs: act.at, actor: act.actor_id, history: act.id }, [
          happening as Happening<StampScope>,
        ]);
      }
    }
    if (acts.length < AT_ONCE) return;
  }
}
