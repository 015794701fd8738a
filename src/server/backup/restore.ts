import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { BackupReport } from '@/core/texts/backups';
import { databaseFile, openDatabase } from '@/data/database';
import { lockFolder } from '@/data/folderLock';
import { giveToOwner, makeOnlyPrivate, makePrivate } from '@/data/privateFolder';
import type { Config } from '../config';
import { storedPath } from '../materials/fileStore';
import type { Report } from '../progress';
import { erasuresIn, noteErasure } from '../people/erasures';
import type { Copying } from './backup';
import { contentsOf, copyOrLink, hashesIn, requireSound, sha256Of } from './backup';

const REPLACED = /^(pembit\.sqlite|secret|files)/;

/** Who was erased since the backup was made is erased again when the folder is next opened: both journals hold. */
function joinErasures(config: Config, source: string): void {
  const known = new Set(erasuresIn(config.dataFolder).map(({ id }) => id));
  for (const one of erasuresIn(source)) if (!known.has(one.id)) noteErasure(config.dataFolder, one);
}

/**
 * Puts a backup in the place of what is in the data folder, which is kept under `backups/`. The backup is looked through
 * first: a damaged database or file, and a folder that a server holds, leave everything as it was.
 * @throws Error with a sentence for the operator.
 */
export async function restore(
  config: Config,
  source: string,
  at: string,
  report: Report,
  { link = false }: Copying = {},
): Promise<BackupReport & Readonly<{ keptIn?: string }>> {
  makeOnlyPrivate();
  if (!existsSync(databaseFile(source)))
    throw new Error('There is no backup in this folder. Give the folder that "npm run backup" has written.');
  const unlock = await lockFolder(config.dataFolder);
  try {
    const from = openDatabase(source);
    try {
      await requireSound(from);
      const hashes = await hashesIn(from);
      const missing: string[] = [];
      for (const [i, hash] of hashes.entries()) {
        const file = storedPath({ ...config, dataFolder: source }, hash);
        if (!existsSync(file)) missing.push(hash);
        else if ((await sha256Of(file)) !== hash)
          throw new Error(`The file ${hash} of the backup is damaged. Nothing was changed.`);
        report(i + 1, hashes.length);
      }
      const contents = await contentsOf(from);
      // Everything is beside what it replaces before anything of that is moved: a full disk changes nothing.
      const staged = path.join(config.dataFolder, 'restoring');
      rmSync(staged, { recursive: true, force: true });
      mkdirSync(staged);
      await from.query('VACUUM INTO :file', { replacements: { file: databaseFile(staged) } });
      let size = statSync(databaseFile(staged)).size;
      for (const hash of hashes.filter((h) => !missing.includes(h))) {
        const to = storedPath({ ...config, dataFolder: staged }, hash);
        mkdirSync(path.dirname(to), { recursive: true });
        copyOrLink(storedPath({ ...config, dataFolder: source }, hash), to, link);
        size += statSync(to).size;
      }
      const keptIn = moveAside(config, at);
      for (const name of readdirSync(staged)) renameSync(path.join(staged, name), path.join(config.dataFolder, name)); // prettier-ignore
      rmSync(staged, { recursive: true });
      const secret = path.join(source, 'secret');
      if (existsSync(secret)) copyFileSync(secret, config.secretFile);
      joinErasures(config, source);
      makePrivate(config.dataFolder);
      giveToOwner(config.dataFolder);
      return { ...contents, files: hashes.length - missing.length, size, missing, keptIn };
    } finally {
      await from.close();
    }
  } finally {
    await unlock();
  }
}

/** Moves what is in the data folder into `backups/replaced-…`; answers where. */
function moveAside({ dataFolder }: Config, at: string): string | undefined {
  const there = readdirSync(dataFolder).filter((name) => REPLACED.test(name));
  if (there.length === 0) return undefined;
  const folder = path.join(dataFolder, 'backups', `replaced-${at.replace(/[^0-9TZ]/g, '')}`);
  mkdirSync(folder, { recursive: true });
  for (const name of there) renameSync(path.join(dataFolder, name), path.join(folder, name));
  return folder;
}
