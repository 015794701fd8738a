import type { Reader } from '../database';
import { select } from '../database';
import { run } from '../statements';
import type { Writer } from '../writeQueue';

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
       done_at = COALESCE(excluded.done_at, jobs.done_at)`,
    { name, dueMs, doneMs, error: error ?? null },
  );
}
