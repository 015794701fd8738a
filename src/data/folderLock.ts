import { existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import sqlite3 from 'sqlite3';

const lockFile = (folder: string): string => path.join(folder, 'lock.sqlite');

/** Opens a small database and takes it for oneself; undefined when somebody else has it. */
function take(file: string): Promise<sqlite3.Database | undefined> {
  return new Promise((resolve, reject) => {
    const database = new sqlite3.Database(file, (opened) => {
      if (opened) return reject(opened);
      database.exec('PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE', (error) => {
        if (!error) return resolve(database);
        const busy = (error as NodeJS.ErrnoException).code === 'SQLITE_BUSY';
        database.close(() => (busy ? resolve(undefined) : reject(error)));
      });
    });
  });
}

const close = (database: sqlite3.Database): Promise<void> =>
  new Promise((resolve) => database.close(() => resolve()));

/** Whether a live process holds a data folder. */
export async function isLocked(folder: string): Promise<boolean> {
  if (!existsSync(lockFile(folder))) return false;
  const taken = await take(lockFile(folder));
  if (taken) await close(taken);
  return taken === undefined;
}

/**
 * Takes a data folder for this process; the returned function gives it back. The lock is the operating system's, on a small
 * database: it falls with the process however that ends, no process id is believed, and another container sees it as well.
 * @throws Error with a sentence for the operator when another process holds it.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true });
  const database = await take(lockFile(folder));
  if (!database)
    throw new Error(
      'Another Pembit already serves the data folder. Stop it first, or set PEMBIT_DATA to another folder.',
    );
  return () => close(database);
}
