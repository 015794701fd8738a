import type { CourseId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { upsertRows } from '../statements';

/** What an outlet's contents hang on: a course with everything in it, or a person's own memberships and bookings. */
export type StampScope = `course:${string}` | `person:${string}`;

/** The courses among scopes. */
export const coursesAmong = (scopes: readonly StampScope[]): CourseId[] =>
  scopes.flatMap((s) => (s.startsWith('course:') ? [s.slice('course:'.length) as CourseId] : []));

export async function bumpStamps(writer: Writer, scopes: Iterable<StampScope>, nowMs: number): Promise<void> {
  // In one order: two changes that stamp the same scopes do not wait for each other.
  const rows = [...scopes].sort().map((scope) => ({ scope, value: 1, changed_at: nowMs }));
  await upsertRows(writer, 'stamps', { rows, key: ['scope'], values: ['changed_at'], sums: ['value'] });
}

export type Stamps = Readonly<{
  /** Different after every write that concerns one of the scopes. */
  version: string;
  changedAtMs: number;
}>;

export async function readStamps(reader: Reader, scopes: readonly StampScope[]): Promise<Stamps> {
  if (scopes.length === 0) return { version: '', changedAtMs: 0 };
  const rows = await select<{ scope: string; value: number; changed_at: number }>(
    reader,
    'SELECT scope, value, changed_at FROM stamps WHERE scope IN (:scopes) ORDER BY scope',
    { scopes },
  );
  return {
    version: rows.map((row) => `${row.scope}=${row.value}`).join(' '),
    changedAtMs: Math.max(0, ...rows.map((row) => row.changed_at)),
  };
}
