import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import path from 'node:path';

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** Whether a live process, not this one, holds a data folder. */
export function isLocked(folder: string): boolean {
  const file = path.join(folder, 'server.lock');
  if (!existsSync(file)) return false;
  const pid = Number(readFileSync(file, 'utf8'));
  return pid !== 0 && pid !== process.pid && isAlive(pid);
}

/**
 * Takes a data folder for this process; the returned function gives it back.
 * @throws Error with a sentence for the operator when another live process holds it.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, 'server.lock');
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      const handle = openSync(file, 'wx');
      writeSync(handle, String(process.pid));
      closeSync(handle);
      return () => rmSync(file, { force: true });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const pid = Number(readFileSync(file, 'utf8'));
      if (pid && pid !== process.pid && isAlive(pid))
        throw new Error(
          `Another Pembit (process ${pid}) already serves the data folder. Stop it first, or set PEMBIT_DATA to another folder.`,
        );
      rmSync(file, { force: true }); // left behind by a process that was killed
    }
  }
  throw new Error('The data folder could not be locked: another Pembit is starting on it.');
}
