import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { Place } from '@/data/database';
import { connectTo, databaseFile, openDatabase } from '@/data/database';
import { migrate } from '@/data/migrate';
import { copyRows } from '@/data/moving/copyRows';
import { isEmpty } from '@/data/people/isEmpty';
import { giveToOwner, makeOnlyPrivate, makePrivate } from '@/data/privateFolder';
import { COMMAND, takePlace } from '@/data/serving';

export type Moved = Readonly<{
  rows: number;
  /** Where the database that was moved away lies now; absent: it stays in PostgreSQL. */
  keptIn?: string;
}>;

type Moving = Readonly<{
  folder: string;
  url: string;
  /** `there`: from the folder's file to PostgreSQL; `back`: the other way. */
  direction: 'there' | 'back';
  at: string;
  report: (table: string, rows: number) => void;
}>;

const open = ({ dataFolder, databaseUrl }: Place) =>
  databaseUrl === undefined ? openDatabase(dataFolder) : connectTo(databaseUrl, COMMAND);

/**
 * Moves a school's data between the file of a folder and PostgreSQL. Files and the secret stay in the folder. Where it was is left as
 * it was, but for the file, which is moved aside so that nobody goes on with it.
 * @throws Error with a sentence where a server runs, where there is nothing to move, or something in the way.
 */
export async function move({ folder, url, direction, at, report }: Moving): Promise<Moved> {
  makeOnlyPrivate();
  const [inFolder, inPostgres]: Place[] = [{ dataFolder: folder }, { dataFolder: folder, databaseUrl: url }];
  const [source, target] = direction === 'there' ? [inFolder!, inPostgres!] : [inPostgres!, inFolder!];
  if (direction === 'there' && !existsSync(databaseFile(folder)))
    throw new Error(`There is no database in ${folder}.`);
  if (direction === 'back' && existsSync(databaseFile(folder)))
    throw new Error(`There is a database in ${folder} already. Move it aside first.`);
  const unlock = await takePlace(source);
  try {
    const unlockTarget = await takePlace(target);
    try {
      const rows = await copyBetween(source, target, { at, report });
      return { rows, ...(direction === 'there' ? { keptIn: asideIn(folder, at) } : {}) };
    } catch (error) {
      // The file that was begun is none that a server could start on.
      if (direction === 'back')
        for (const end of ['', '-wal', '-shm']) rmSync(databaseFile(folder) + end, { force: true });
      throw error;
    } finally {
      makePrivate(folder);
      giveToOwner(folder);
      await unlockTarget();
    }
  } finally {
    await unlock();
  }
}

async function copyBetween(
  source: Place,
  target: Place,
  { at, report }: Pick<Moving, 'at' | 'report'>,
): Promise<number> {
  const [from, to] = [open(source), open(target)];
  try {
    await migrate(from, source.dataFolder, at);
    await migrate(to, target.dataFolder, at);
    if (await isEmpty({ sequelize: from }))
      throw new Error('There is nobody in the database: nothing to move.');
    if (!(await isEmpty({ sequelize: to })))
      throw new Error('The database that the data would go to is not empty. Give an empty one.');
    return await copyRows(from, to, report);
  } finally {
    await Promise.all([from.close(), to.close()]);
  }
}

/** Where the folder's file goes once it is moved. */
function asideIn(folder: string, at: string): string {
  const kept = path.join(folder, 'backups', `moved-${at.replace(/[^0-9TZ]/g, '')}.sqlite`);
  mkdirSync(path.dirname(kept), { recursive: true });
  renameSync(databaseFile(folder), kept);
  return kept;
}
