import { createHash } from 'node:crypto';
import type { Sequelize, Transaction } from 'sequelize';
import { select } from '../database';
import { dialectOf, tableNames } from '../dialect';
import { insertRows } from '../statements';

type Row = Readonly<Record<string, unknown>>;
/** How many rows are in memory at once, and how many characters of them in one statement: acts of hundreds of rows are long. */
const PAGE = 200;
const LONGEST = 4_000_000;
/** What each side notes for itself. */
const OWN = new Set(['migrations']);

type Table = Readonly<{ name: string; columns: readonly string[]; key: readonly string[] }>;

/** The tables of an up-to-date database, which are the same in both dialects, by what SQLite says of them. */
async function tablesOf(sqlite: Sequelize): Promise<Table[]> {
  const names = (await select<{ name: string }>({ sequelize: sqlite }, tableNames({ sequelize: sqlite })))
    .map(({ name }) => name)
    .filter((name) => !OWN.has(name));
  return Promise.all(
    names.map(async (name) => {
      const columns = await select<{ name: string; pk: number }>(
        { sequelize: sqlite },
        `PRAGMA table_info(${name})`,
      );
      const key = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk);
      return { name, columns: columns.map((column) => column.name), key: key.map((column) => column.name) };
    }),
  );
}

/** The rows of a table in the order of its key, which is the same in both. */
async function* rowsOf(
  sequelize: Sequelize,
  { name, columns, key }: Table,
  transaction?: Transaction,
): AsyncGenerator<Row[]> {
  const reader = { sequelize, ...(transaction ? { transaction } : {}) };
  const keys = key.join(', ');
  let last: Row | undefined;
  for (;;) {
    const after = last ? `WHERE (${keys}) > (${key.map((column) => `:${column}`).join(', ')})` : '';
    const rows = await select<Row>(reader, `SELECT ${columns.join(', ')} FROM ${name} ${after} ORDER BY ${keys} LIMIT ${PAGE}`, { ...last }); // prettier-ignore
    if (rows.length === 0) return;
    yield rows;
    last = rows.at(-1);
  }
}

/** Rows in parts that are not too long for one statement. */
function inParts(rows: readonly Row[]): Row[][] {
  const parts: Row[][] = [[]];
  let length = 0;
  for (const row of rows) {
    const own = JSON.stringify(row).length;
    if (length > 0 && length + own > LONGEST) {
      parts.push([]);
      length = 0;
    }
    parts.at(-1)!.push(row);
    length += own;
  }
  return parts;
}

/** A hash of all rows of a table, and how many there are. */
async function sumOf(sequelize: Sequelize, table: Table, transaction?: Transaction): Promise<string> {
  const hash = createHash('sha256');
  let count = 0;
  for await (const rows of rowsOf(sequelize, table, transaction))
    for (const row of rows) {
      hash.update(JSON.stringify(table.columns.map((column) => row[column] ?? null)));
      count++;
    }
  return `${count} ${hash.digest('hex')}`;
}

type ForeignKey = Readonly<{ table: string; name: string; definition: string }>;

/** Takes references out while rows come in in any order; the returned function puts them back, which looks at every row. */
async function withoutReferences(
  sequelize: Sequelize,
  transaction: Transaction,
): Promise<() => Promise<void>> {
  const run = (sql: string) => sequelize.query(sql, { transaction });
  if (dialectOf({ sequelize }) === 'sqlite') {
    await run('PRAGMA defer_foreign_keys = ON'); // looked at when the transaction is committed
    return () => Promise.resolve();
  }
  const keys = await select<ForeignKey>(
    { sequelize, transaction },
    `SELECT conrelid::regclass::text AS "table", conname AS name, pg_get_constraintdef(oid) AS definition
     FROM pg_constraint WHERE contype = 'f' AND connamespace = current_schema()::regnamespace`,
  );
  for (const { table, name } of keys) await run(`ALTER TABLE ${table} DROP CONSTRAINT "${name}"`);
  return async () => {
    for (const { table, name, definition } of keys)
      await run(`ALTER TABLE ${table} ADD CONSTRAINT "${name}" ${definition}`);
    // What counts up by itself goes on behind the last.
    await run(
      `SELECT setval(pg_get_serial_sequence('events', 'id'), GREATEST((SELECT MAX(id) FROM events), 1))`,
    );
  };
}

/**
 * Copies all rows from one database to another that is up to date and empty, whole or not at all; then each table of both is read
 * once more and compared, row by row. Answers how many rows there are.
 * @throws Error with a sentence that names the table where they differ.
 */
export async function copyRows(
  from: Sequelize,
  to: Sequelize,
  report: (table: string, rows: number) => void,
): Promise<number> {
  const tables = await tablesOf(dialectOf({ sequelize: from }) === 'sqlite' ? from : to);
  let copied = 0;
  await to.transaction(async (transaction) => {
    const writer = { sequelize: to, transaction };
    const putBack = await withoutReferences(to, transaction);
    for (const table of tables) {
      // What a new database notes by itself gives way.
      await to.query(`DELETE FROM ${table.name}`, { transaction });
      let rows = 0;
      for await (const page of rowsOf(from, table)) {
        for (const part of inParts(page)) await insertRows(writer, table.name, part);
        rows += page.length;
      }
      report(table.name, rows);
      copied += rows;
    }
    await putBack();
    for (const table of tables)
      if ((await sumOf(from, table)) !== (await sumOf(to, table, transaction)))
        throw new Error(`The rows of ${table.name} are not the same after the move. Nothing was moved.`);
  });
  return copied;
}
