import { ask, askBound, placeFor } from './asking/ask';
import { inTurn } from './database';
import type { Writer } from './reader';

/** Rows of one statement; a database counts the values of one, and a change that writes thousands is not to hold up others. */
const AT_ONCE = 64;

type Values = Readonly<Record<string, unknown>>;

const quoted = (name: string): string => `"${name}"`;
const listed = (names: readonly string[]): string => names.map(quoted).join(', ');

/** A statement that answers no rows. Lists in `IN (:ids)` must not be empty. */
export async function run(writer: Writer, sql: string, values: Values = {}): Promise<void> {
  await inTurn(writer, () => ask(writer, sql, values));
}

/** Rows in portions of a power of two: however many there are, few statements do. */
function* portions<T>(rows: readonly T[]): Generator<readonly T[]> {
  for (let from = 0, size = AT_ONCE; from < rows.length; from += size) {
    while (size > rows.length - from) size /= 2;
    yield rows.slice(from, from + size);
  }
}

async function insertAll<T extends object>(
  writer: Writer,
  table: string,
  rows: readonly object[],
  rest = '',
): Promise<T[]> {
  const answered: T[] = [];
  const place = placeFor(writer);
  for (const portion of portions(rows as readonly Values[])) {
    const columns = Object.keys(portion[0]!);
    const values: unknown[] = [];
    const tuples = portion.map((row) => `(${columns.map((name) => place(values.push(row[name] ?? null))).join(', ')})`); // prettier-ignore
    const text = `INSERT INTO ${quoted(table)} (${listed(columns)}) VALUES ${tuples.join(', ')}${rest}`;
    answered.push(...(await inTurn(writer, () => askBound<T>(writer, { text, values }))));
  }
  return answered;
}

/** Inserts rows that have the same columns. */
export async function insertRows(writer: Writer, table: string, rows: readonly object[]): Promise<void> {
  await insertAll(writer, table, rows);
}

/** The same for a table that numbers its rows; answers their ids, in the order of the rows. */
export async function insertNumbered(
  writer: Writer,
  table: string,
  rows: readonly object[],
): Promise<number[]> {
  const numbered = await insertAll<{ id: number }>(writer, table, rows, ' RETURNING id');
  // In what order a database answers them is its own affair; numbers grow from row to row.
  return numbered.map(({ id }) => id).sort((a, b) => a - b);
}

/** Inserts rows that have the same columns; where one with the same `key` is there, its `values` are put in its place, and its `sums` added. */
export async function upsertRows(
  writer: Writer,
  table: string,
  {
    rows,
    key,
    values,
    sums = [],
  }: Readonly<{
    rows: readonly object[];
    key: readonly string[];
    values: readonly string[];
    sums?: readonly string[];
  }>,
): Promise<void> {
  const put = [
    ...values.map((name) => `${quoted(name)} = excluded.${quoted(name)}`),
    ...sums.map((name) => `${quoted(name)} = ${quoted(table)}.${quoted(name)} + excluded.${quoted(name)}`),
  ];
  await insertAll(writer, table, rows, ` ON CONFLICT (${listed(key)}) DO UPDATE SET ${put.join(', ')}`);
}

/** A condition that columns equal values, with the values by name; a list means any of its values, and an empty one none. */
function condition(where: Values): Readonly<{ sql: string; values: Values }> {
  const parts = Object.entries(where).map(([column, value]) => {
    if (value === null) return `${quoted(column)} IS NULL`;
    if (!Array.isArray(value)) return `${quoted(column)} = :of_${column}`;
    return value.length === 0 ? '1 = 0' : `${quoted(column)} IN (:of_${column})`;
  });
  const values = Object.fromEntries(Object.entries(where).map(([column, value]) => [`of_${column}`, value]));
  return { sql: parts.length === 0 ? '' : ` WHERE ${parts.join(' AND ')}`, values };
}

/** Puts values into the rows whose columns equal those of `where`; a list means any of its values. */
export async function updateRows(
  writer: Writer,
  table: string,
  values: object,
  where: Values,
): Promise<void> {
  const put = Object.entries(values as Values).filter(([, value]) => value !== undefined);
  const { sql, values: asked } = condition(where);
  const set = put.map(([column]) => `${quoted(column)} = :to_${column}`).join(', ');
  const named = Object.fromEntries(put.map(([column, value]) => [`to_${column}`, value]));
  await run(writer, `UPDATE ${quoted(table)} SET ${set}${sql}`, { ...named, ...asked });
}

/** Removes the rows whose columns equal those of `where`; a list means any of its values, nothing means all rows. */
export async function deleteRows(writer: Writer, table: string, where: Values): Promise<void> {
  const { sql, values } = condition(where);
  await run(writer, `DELETE FROM ${quoted(table)}${sql}`, values);
}
