import type { Reader } from './reader';
import { select } from './database';

/** Whether addresses that people use hang on the server's secret. */
export const hasAddresses = async (reader: Reader): Promise<boolean> =>
  (
    await select(
      reader,
      `SELECT id FROM outlets UNION SELECT id FROM courses WHERE join_hash IS NOT NULL
       UNION SELECT id FROM guardians WHERE ended_at IS NULL LIMIT 1`,
    )
  ).length > 0;

/** The hashes of all uploaded files. */
export const fileHashes = async (reader: Reader): Promise<string[]> =>
  (await select<{ hash: string }>(reader, 'SELECT DISTINCT hash FROM files ORDER BY hash')).map(
    ({ hash }) => hash,
  );

/** What SQLite finds damaged: its first problem in its own words, and how many references lead nowhere. */
export async function problemsIn(
  reader: Reader,
): Promise<Readonly<{ first: string | undefined; broken: number }>> {
  const problems = await select<Record<string, string>>(reader, 'PRAGMA integrity_check');
  const foreign = await select<object>(reader, 'PRAGMA foreign_key_check');
  const [first] = problems.flatMap((row) => Object.values(row));
  return { first: first === 'ok' ? undefined : (first ?? ''), broken: foreign.length };
}

/** How many rows a table has. */
export const countOf = async (reader: Reader, table: 'courses' | 'entries' | 'people'): Promise<number> =>
  (await select<{ n: number }>(reader, `SELECT COUNT(*) AS n FROM ${table}`))[0]?.n ?? 0;

/** Whether a table holds any of some values. */
export const isAnyIn = async (
  reader: Reader,
  { table, column, values }: Readonly<{ table: string; column: string; values: readonly string[] }>,
): Promise<boolean> =>
  values.length > 0 &&
  (await select(reader, `SELECT 1 FROM ${table} WHERE ${column} IN (:values) LIMIT 1`, { values })).length >
    0;
