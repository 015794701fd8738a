import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import type { Sequelize } from 'sequelize';
import { Umzug } from 'umzug';
import { select } from './database';
import { foundations } from './migrations/0001-foundations';
import { frame } from './migrations/0002-frame';
import { people } from './migrations/0003-people';

const MIGRATIONS: readonly { name: string; statements: readonly string[] }[] = [foundations, frame, people];

export type MigrationReport = { applied: readonly string[]; backup?: string };

/**
 * Brings a database up to date. Each migration runs whole or not at all; before the first one a copy of the database
 * is left in `backups/`, which is the only way back.
 * @throws Error when the database was written by a newer Pembit.
 */
export async function migrate(sequelize: Sequelize, folder: string, now: string): Promise<MigrationReport> {
  await sequelize.query(
    'CREATE TABLE IF NOT EXISTS migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)',
  );
  const executed = async () =>
    (await select<{ name: string }>({ sequelize }, 'SELECT name FROM migrations ORDER BY name')).map(
      (r) => r.name,
    );
  const known = new Set(MIGRATIONS.map((m) => m.name));
  const foreign = (await executed()).find((name) => !known.has(name));
  if (foreign)
    throw new Error(
      `This data folder was written by a newer Pembit (migration ${foreign}). Start the newer version, or restore a backup made by this one.`,
    );
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, statements }) => ({
      name,
      up: () => applyWhole(sequelize, statements),
    })),
    storage: {
      logMigration: ({ name }) =>
        sequelize
          .query('INSERT INTO migrations (name, applied_at) VALUES (:name, :now)', {
            replacements: { name, now },
          })
          .then(() => undefined),
      unlogMigration: () => Promise.reject(new Error('Migrations are not taken back: restore the backup.')),
      executed,
    },
    logger: undefined,
  });
  const pending = await umzug.pending();
  if (pending.length === 0) return { applied: [] };
  const backup = (await executed()).length > 0 ? await copyAside(sequelize, folder, now) : undefined;
  const applied = await umzug.up();
  return { applied: applied.map((m) => m.name), backup };
}

async function applyWhole(sequelize: Sequelize, statements: readonly string[]): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    for (const statement of statements) await sequelize.query(statement, { transaction });
  });
}

async function copyAside(sequelize: Sequelize, folder: string, now: string): Promise<string> {
  const backups = path.join(folder, 'backups');
  mkdirSync(backups, { recursive: true });
  const file = path.join(backups, `before-migration-${now.replace(/[^0-9TZ]/g, '')}.sqlite`);
  if (!existsSync(file)) await sequelize.query('VACUUM INTO :file', { replacements: { file } });
  return file;
}
