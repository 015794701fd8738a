import { createHash } from 'node:crypto';
import { copyFileSync, createReadStream, existsSync, linkSync, mkdirSync, readdirSync, statSync } from 'node:fs'; // prettier-ignore
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { BackupReport } from '@/core/texts/backups';
import { databaseFile } from '@/data/database';
import type { Config } from '../config';
import { makeOnlyPrivate, makePrivate } from '@/data/privateFolder';
import { storedPath } from '../materials/fileStore';
import { erasuresFile } from '../people/erasures';
import type { Report } from '../progress';
import { copyDatabase } from './databaseCopy';

export async function sha256Of(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Whether a folder has anything in it. */
export const isFilled = (folder: string): boolean => existsSync(folder) && readdirSync(folder).length > 0;

/** `link`: files that never change need not be copied on one disk. */
export type Copying = Readonly<{ link?: boolean }>;

export function copyOrLink(from: string, to: string, link: boolean): void {
  try {
    if (link) return linkSync(from, to);
  } catch {
    // Another disk, or one that knows no links.
  }
  copyFileSync(from, to);
}

/**
 * Copies a data folder into an empty one: the database as it is at one moment, the files that it names, the
 * secret. A server may go on writing meanwhile: its files never change, and what is uploaded later is not named yet.
 * @throws Error with a sentence when there is nothing to copy, or the target is not empty.
 */
export async function backup(
  config: Config,
  target: string,
  report: Report,
  { link = false }: Copying = {},
): Promise<BackupReport> {
  makeOnlyPrivate();
  if (config.databaseUrl === undefined && !existsSync(databaseFile(config.dataFolder)))
    throw new Error('There is no database in the data folder. Set PEMBIT_DATA to the folder that is served.');
  if (isFilled(target)) throw new Error('The folder for the backup is not empty. Give a new one.');
  mkdirSync(target, { recursive: true });
  const { hashes, contents, size: databaseSize } = await copyDatabase(config, target);
  const { missing, size } = copyFiles(config, target, hashes, report, link);
  copyFileSync(config.secretFile, path.join(target, 'secret'));
  const erasures = erasuresFile(config.dataFolder);
  if (existsSync(erasures)) copyFileSync(erasures, erasuresFile(target));
  makePrivate(target);
  return { ...contents, files: hashes.length - missing.length, size: databaseSize + size, missing };
}

/** Copies the files of some hashes; answers those that are not there, and how many bytes the others have. */
function copyFiles(
  config: Config,
  target: string,
  hashes: readonly string[],
  report: Report,
  link: boolean,
): Readonly<{ missing: readonly string[]; size: number }> {
  const missing: string[] = [];
  let size = 0;
  for (const [i, hash] of hashes.entries()) {
    const from = storedPath(config, hash);
    if (!existsSync(from)) missing.push(hash);
    else {
      const to = storedPath({ ...config, dataFolder: target }, hash);
      mkdirSync(path.dirname(to), { recursive: true });
      copyOrLink(from, to, link);
      size += statSync(to).size;
    }
    report(i + 1, hashes.length);
  }
  return { missing, size };
}
