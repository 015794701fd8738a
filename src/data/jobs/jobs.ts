import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { clockMs } from '../dialect';
import { run } from '../statements';

export type JobMark = Readonly<{ name: string; dueMs: number; doneMs: number | null; error?: string }>;

/** When each known job is next due, in epoch milliseconds. */
export async function dueTimes(reader: Reader): Promise<ReadonlyMap<string, number>> {
  const rows = await select<{ name: string; due_at: number }>(reader, 'SELECT name, due_at FROM jobs');
  return new Map(rows.map((row) => [row.name, row.due_at]));
}

export async function markJob(writer: Writer, { name, dueMs, doneMs, error }: JobMark): Promise<void> {
  await run(
    writer,
    `INSERT INTO jobs (name, due_at, done_at, error) VALUES (:name, :dueMs, :doneMs, :error)
     ON CONFLICT (name) DO UPDATE SET due_at = excluded.due_at, error = excluded.error,
       done_at = COALESCE(excluded.done_at, jobs.done_at), held_by = NULL, held_until = NULL`,
    { name, dueMs, doneMs, error: error ?? null },
  );
}

type Holding = Readonly<{ name: string; by: string; holdMs: number }>;

/** Takes a job that is due by a moment for one process, unless another has it in hand. */
export async function claimJob(writer: Writer, { name, by, holdMs, nowMs }: Holding & Readonly<{ nowMs: number }>): Promise<boolean> {
  const claimed = await select(
    writer,
    `UPDATE jobs SET held_by = :by, held_until = ${clockMs(writer)} + :holdMs
     WHERE name = :name AND due_at <= :nowMs AND (held_until IS NULL OR held_until < ${clockMs(writer)}) RETURNING name`,
    { name, by, holdMs, nowMs },
  );
  return claimed.length > 0;
} // prettier-ignore

/** Keeps a job that one has in hand for longer; false where another has it by now. */
export async function keepJob(writer: Writer, { name, by, holdMs }: Holding): Promise<boolean> {
  const kept = await select(
    writer,
    `UPDATE jobs SET held_until = ${clockMs(writer)} + :holdMs WHERE name = :name AND held_by = :by RETURNING name`,
    { name, by, holdMs },
  );
  return kept.length > 0;
}
