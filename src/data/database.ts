import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import type { Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';

const PRAGMAS = [
  'PRAGMA journal_mode = WAL',
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  'PRAGMA busy_timeout = 5000',
] as const;

/** Sequelize opens one connection for reading and a new one for each transaction: both get their PRAGMAs here. */
class Database extends sqlite3.Database {
  constructor(file: string, mode: number, callback?: (error: Error | null) => void) {
    super(file, mode, callback);
    this.serialize(() => {
      // What goes wrong here goes wrong with the first question, too, and is told there: a file that is no database.
      for (const pragma of PRAGMAS) this.run(pragma, () => undefined);
    });
  }
}

export const databaseFile = (folder: string): string => path.join(folder, 'pembit.sqlite');

export function openDatabase(folder: string): Sequelize {
  mkdirSync(folder, { recursive: true });
  return new Sequelize({
    dialect: 'sqlite',
    storage: databaseFile(folder),
    dialectModule: { ...sqlite3, Database },
    logging: false,
    retry: { max: 1 },
  });
}

/** What reads go through: the shared connection, or the transaction that is about to write. */
export type Reader = Readonly<{ sequelize: Sequelize; transaction?: Transaction }>;

/** Rows of a SELECT. Lists in `IN (:ids)` must not be empty. */
export const select = <T extends object>(
  reader: Reader,
  sql: string,
  replacements: Record<string, unknown> = {},
): Promise<T[]> =>
  reader.sequelize.query<T>(sql, {
    type: QueryTypes.SELECT,
    replacements,
    transaction: reader.transaction ?? null,
  });
