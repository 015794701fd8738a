import type { WhereOptions } from 'sequelize';
import { inTurn } from './database';
import type { Writer } from './writeQueue';

const AT_ONCE = 500;

type Values = Readonly<Record<string, unknown>>;
type Where = WhereOptions<Record<string, unknown>>;

/** A statement that answers no rows. Lists in `IN (:ids)` must not be empty. */
export async function run(writer: Writer, sql: string, replacements: Values = {}): Promise<void> {
  const { sequelize, transaction } = writer;
  await inTurn(writer, () => sequelize.query(sql, { replacements: { ...replacements }, transaction }));
}

/** Inserts rows that have the same columns. */
export async function insertRows(writer: Writer, table: string, rows: readonly object[]): Promise<void> {
  if (rows.length === 0) return;
  const { sequelize, transaction } = writer;
  await inTurn(writer, () => sequelize.getQueryInterface().bulkInsert(table, [...rows], { transaction }));
}

/** Inserts rows that have the same columns; where one with the same `key` is there, its `values` are put in its place. */
export async function upsertRows(
  writer: Writer,
  table: string,
  {
    rows,
    key,
    values,
  }: Readonly<{ rows: readonly object[]; key: readonly string[]; values: readonly string[] }>,
): Promise<void> {
  if (rows.length === 0) return;
  const { sequelize, transaction } = writer;
  const options = { transaction, upsertKeys: [...key], updateOnDuplicate: [...values] };
  // In portions: one statement of thousands of rows takes long to write, and nobody is answered meanwhile.
  for (let i = 0; i < rows.length; i += AT_ONCE)
    await inTurn(writer, () =>
      sequelize.getQueryInterface().bulkInsert(table, rows.slice(i, i + AT_ONCE), options),
    );
}

/** Puts values into the rows whose columns equal those of `where`; a list means any of its values. */
export async function updateRows(writer: Writer, table: string, values: object, where: Where): Promise<void> {
  const { sequelize, transaction } = writer;
  await inTurn(writer, () => sequelize.getQueryInterface().bulkUpdate(table, values, where, { transaction }));
}

/** Removes the rows whose columns equal those of `where`; a list means any of its values, nothing means all rows. */
export async function deleteRows(writer: Writer, table: string, where: Where): Promise<void> {
  const { sequelize, transaction } = writer;
  await inTurn(writer, () => sequelize.getQueryInterface().bulkDelete(table, where, { transaction }));
}
