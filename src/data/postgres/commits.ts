import { createHash } from 'node:crypto';
import { dialectOf } from '../dialect';
import { select } from '../database';
import { run } from '../statements';
import type { Locks } from './admission';
import type { Writer } from '../reader';

/** Under it processes tell each other what they have committed. */
export const CHANNEL = 'pembit_commits';
/** PostgreSQL's advisory locks of this application: the first of their two numbers. */
const OURS = 7_201_310;
const EVERYTHING = 0;
const NUMBERING = 1;
const MIGRATIONS = 2;
/** NOTIFY carries 8,000 bytes; where the scopes take more, everything is outdated. */
const LONGEST = 7000;

/** What one process tells the others of a commit. `scopes` absent: everything is outdated. */
export type Commit = Readonly<{ number: number; by: string; scopes?: readonly string[] }>;

/** The second number of a scope's lock, beside those that have a meaning of their own. */
const lockOf = (scope: string): number => {
  const number = createHash('sha256').update(scope).digest().readInt32BE(0);
  return [EVERYTHING, NUMBERING, MIGRATIONS].includes(number) ? number + 3 : number;
};

const lock = (writer: Writer, number: number, how: '' | '_shared' = '') =>
  select(writer, `SELECT pg_advisory_xact_lock${how}(${OURS}, ${number})`);

/** Until the change ends, which says nothing while the migrations run elsewhere, nobody else brings the database up to date. */
export async function lockForMigrations(writer: Writer): Promise<void> {
  await run(writer, 'SET LOCAL idle_in_transaction_session_timeout = 0');
  await lock(writer, MIGRATIONS);
}

/** Waits until no other process is in a change's way; until the change ends none comes into it. In one order, so that no two wait for each other. */
export async function lockFor(writer: Writer, locks: Locks): Promise<void> {
  if (locks === undefined) return void (await lock(writer, EVERYTHING));
  if (locks.length === 0) return;
  await lock(writer, EVERYTHING, '_shared');
  for (const number of [...new Set(locks.map(lockOf))].sort((a, b) => a - b)) await lock(writer, number);
}

/**
 * From here to its end a change is the only one that numbers: what is numbered later is committed later, so that whoever has read
 * up to a number has missed nothing below it. SQLite's one writer is alone already.
 */
export async function numberInOrder(writer: Writer): Promise<void> {
  if (dialectOf(writer) === 'postgres') await lock(writer, NUMBERING);
}

/** Gives a change its number, and tells the other processes when it is committed. */
export async function announce(
  writer: Writer,
  by: string,
  scopes: readonly string[] | undefined,
): Promise<number> {
  await numberInOrder(writer);
  const [row] = await select<{ value: number }>(
    writer,
    `INSERT INTO stamps (scope, value, changed_at) VALUES ('commits', 1, 0)
     ON CONFLICT (scope) DO UPDATE SET value = stamps.value + 1 RETURNING value`,
  );
  const number = row!.value;
  const commit: Commit = { number, by, ...(scopes ? { scopes } : {}) };
  const said = JSON.stringify(commit);
  const payload = said.length <= LONGEST ? said : JSON.stringify({ number, by });
  await run(writer, `SELECT pg_notify('${CHANNEL}', :payload)`, { payload });
  return number;
}
