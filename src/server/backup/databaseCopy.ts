import { existsSync, mkdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { Sequelize } from 'sequelize';
import type { BackupReport } from '@/core/texts/backups';
import { connectTo, databaseFile, openDatabase } from '@/data/database';
import { dropTables } from '@/data/postgres/dropTables';
import { COMMAND } from '@/data/serving';
import { countOf, fileHashes, problemsIn } from '@/data/soundness';
import type { Config } from '../config';
import { runTool } from './postgresTools';

/** What a copy of a database holds: the files that it names, and how much. */
export type Held = Readonly<{
  hashes: readonly string[];
  contents: Pick<BackupReport, 'courses' | 'entries' | 'people'>;
  /** In bytes. */
  size: number;
}>;

const dumpIn = (folder: string): string => path.join(folder, 'pembit.dump');

/** Where a backup has its database, whichever it was made of. */
export const isBackup = (config: Config, folder: string): boolean =>
  existsSync(config.databaseUrl === undefined ? databaseFile(folder) : dumpIn(folder));

async function heldBy(sequelize: Sequelize, size: () => number): Promise<Held> {
  const reader = { sequelize };
  const [courses, entries, people] = await Promise.all([
    countOf(reader, 'courses'),
    countOf(reader, 'entries'),
    countOf(reader, 'people'),
  ]);
  return { hashes: await fileHashes(reader), contents: { courses, entries, people }, size: size() };
}

/** @throws Error with a sentence when SQLite finds the database damaged. */
async function requireSound(sequelize: Sequelize): Promise<void> {
  const { first, broken } = await problemsIn({ sequelize });
  if (first !== undefined || broken > 0)
    throw new Error(
      `The database is damaged (${first ?? `${broken} broken references`}). Use another backup.`,
    );
}

/** Does something with an open database, and closes it. */
async function withOpen<T>(sequelize: Sequelize, work: (sequelize: Sequelize) => Promise<T>): Promise<T> {
  try {
    return await work(sequelize);
  } finally {
    await sequelize.close();
  }
}

/** Looks through the database of a backup that lies in a folder. @throws Error with a sentence where it is damaged. */
export async function heldInBackup(folder: string): Promise<Held> {
  return withOpen(openDatabase(folder), async (sequelize) => {
    await requireSound(sequelize);
    return heldBy(sequelize, () => statSync(databaseFile(folder)).size);
  });
}

/** Copies a database as it is at one moment into a folder, while others may write: SQLite's by `VACUUM INTO`, PostgreSQL's by `pg_dump`. */
export async function copyDatabase({ dataFolder, databaseUrl }: Config, folder: string): Promise<Held> {
  if (databaseUrl !== undefined) {
    const before = await withOpen(connectTo(databaseUrl, COMMAND), (sequelize) => heldBy(sequelize, () => 0));
    await runTool('pg_dump', databaseUrl, ['--format=custom', `--file=${dumpIn(folder)}`]);
    return { ...before, size: statSync(dumpIn(folder)).size };
  }
  await withOpen(openDatabase(dataFolder), (source) =>
    source.query('VACUUM INTO :file', { replacements: { file: databaseFile(folder) } }),
  );
  return heldInBackup(folder);
}

/**
 * Puts the database of a backup into PostgreSQL in the place of what is there, of which a backup is made in `aside` first: where
 * anything goes wrong that comes back. Answers what is there now.
 */
export async function restoreIntoPostgres(url: string, source: string, aside: string): Promise<Held> {
  const put = async (folder: string) => {
    await withOpen(connectTo(url, COMMAND), dropTables);
    await runTool('pg_restore', url, ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', `--dbname=${new URL(url).pathname.slice(1)}`, dumpIn(folder)]); // prettier-ignore
  };
  mkdirSync(aside, { recursive: true });
  rmSync(dumpIn(aside), { force: true });
  await runTool('pg_dump', url, ['--format=custom', `--file=${dumpIn(aside)}`]);
  try {
    await put(source);
    return await withOpen(connectTo(url, COMMAND), (sequelize) =>
      heldBy(sequelize, () => statSync(dumpIn(source)).size),
    );
  } catch (error) {
    await put(aside);
    throw error;
  }
}
