import { existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Pembit } from '../pembit';
import { backup } from './backup';
import { restore } from './restore';

const NAME = /^nightly-(\d{8})$/;
/** One of each of the last nights, and one of each of the weeks before. */
const NIGHTS = 7;
const WEEKS = 4;

const nightlies = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
    : [];

/** When the newest backup was made that a restore has been tried with; undefined while there is none. */
export function newestBackupMs(folder: string): number | undefined {
  const newest = nightlies(folder).at(-1);
  return newest === undefined ? undefined : statSync(path.join(folder, newest)).mtimeMs;
}

/** Which of the nightly backups may go: all but the last nights, and the first of each of the last weeks before. */
export function outdatedNightlies(names: readonly string[]): string[] {
  const sorted = [...names].sort().reverse();
  const kept = new Set(sorted.slice(0, NIGHTS));
  const weeks = new Map<number, string>();
  for (const name of sorted.slice(NIGHTS)) {
    const digits = NAME.exec(name)![1]!;
    const days = Date.UTC(+digits.slice(0, 4), +digits.slice(4, 6) - 1, +digits.slice(6)) / 86_400_000;
    weeks.set(Math.floor(days / 7), name);
  }
  for (const name of [...weeks.values()].sort().reverse().slice(0, WEEKS)) kept.add(name);
  return sorted.filter((name) => !kept.has(name));
}

/**
 * Makes the backup of this night and tries it: it is restored into a folder of its own, looked through there, and only then takes its
 * name. Files are linked where the disk allows that: their bytes never change.
 */
export async function nightlyBackup(pembit: Pembit): Promise<void> {
  const { backupFolder } = pembit.config;
  const quiet = () => undefined;
  const night = pembit.now().toString().slice(0, 10).replaceAll('-', '');
  const target = path.join(backupFolder, `nightly-${night}`);
  const making = path.join(backupFolder, `making-${night}`);
  mkdirSync(backupFolder, { recursive: true });
  rmSync(making, { recursive: true, force: true });
  const trial = mkdtempSync(path.join(tmpdir(), 'pembit-trial-'));
  try {
    await backup(pembit.config, making, quiet, { link: true });
    const config = { ...pembit.config, dataFolder: trial, secretFile: path.join(trial, 'secret') };
    await restore(config, making, pembit.now().toString(), quiet, { link: true });
    rmSync(target, { recursive: true, force: true });
    renameSync(making, target);
  } finally {
    rmSync(making, { recursive: true, force: true });
    rmSync(trial, { recursive: true, force: true });
  }
  for (const name of outdatedNightlies(nightlies(backupFolder)))
    rmSync(path.join(backupFolder, name), { recursive: true, force: true });
}
