import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { BackupReport } from '@/core/texts/backups';
import { takePlace } from '@/data/serving';
import { giveToOwner, makeOnlyPrivate, makePrivate } from '@/data/privateFolder';
import type { Config } from '../config';
import { storedPath } from '../materials/fileStore';
import type { Report } from '../progress';
import { erasuresIn, noteErasure } from '../people/erasures';
import type { Copying } from './backup';
import { copyOrLink, sha256Of } from './backup';
import { copyDatabase, heldInBackup, isBackup, restoreIntoPostgres } from './databaseCopy';

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
  if (!isBackup(config, source))
    throw new Error('There is no backup in this folder. Give the folder that "npm run backup" has written.');
  const unlock = await takePlace(config);
  try {
    return config.databaseUrl === undefined
      ? await restoreFolder(config, source, at, report, link)
      : await restoreBoth(config, config.databaseUrl, source, at, report, link);
  } finally {
    await unlock();
  }
}

/** The hashes of files that a backup has not, of those that its database names. @throws Error where one is damaged. */
async function missingIn(
  config: Config,
  source: string,
  hashes: readonly string[],
  report: Report,
): Promise<string[]> {
  const missing: string[] = [];
  for (const [i, hash] of hashes.entries()) {
    const file = storedPath({ ...config, dataFolder: source }, hash);
    if (!existsSync(file)) missing.push(hash);
    else if ((await sha256Of(file)) !== hash)
      throw new Error(`The file ${hash} of the backup is damaged. Nothing was changed.`);
    report(i + 1, hashes.length);
  }
  return missing;
}

/** Copies the files of a backup to where they are beside what they replace; answers how many bytes they have. */
function stageFiles(
  config: Config,
  source: string,
  staged: string,
  hashes: readonly string[],
  link: boolean,
): number {
  let size = 0;
  for (const hash of hashes) {
    const to = storedPath({ ...config, dataFolder: staged }, hash);
    mkdirSync(path.dirname(to), { recursive: true });
    copyOrLink(storedPath({ ...config, dataFolder: source }, hash), to, link);
    size += statSync(to).size;
  }
  return size;
}

function emptyStage({ dataFolder }: Config): string {
  const staged = path.join(dataFolder, 'restoring');
  rmSync(staged, { recursive: true, force: true });
  mkdirSync(staged);
  return staged;
}

/** Puts what is staged in its place, with the backup's secret and both journals of erasures. */
function putInPlace(config: Config, source: string, staged: string): void {
  for (const name of readdirSync(staged))
    renameSync(path.join(staged, name), path.join(config.dataFolder, name));
  rmSync(staged, { recursive: true });
  const secret = path.join(source, 'secret');
  if (existsSync(secret)) copyFileSync(secret, config.secretFile);
  joinErasures(config, source);
  makePrivate(config.dataFolder);
  giveToOwner(config.dataFolder);
}

type Restored = BackupReport & Readonly<{ keptIn?: string }>;

async function restoreFolder(
  config: Config,
  source: string,
  at: string,
  report: Report,
  link: boolean,
): Promise<Restored> {
  const { hashes, contents } = await heldInBackup(source);
  const missing = await missingIn(config, source, hashes, report);
  // Everything is beside what it replaces before anything of that is moved: a full disk changes nothing.
  const staged = emptyStage(config);
  const { size } = await copyDatabase({ ...config, dataFolder: source }, staged);
  const there = hashes.filter((hash) => !missing.includes(hash));
  const files = stageFiles(config, source, staged, there, link);
  const keptIn = moveAside(config, at);
  putInPlace(config, source, staged);
  return { ...contents, files: there.length, size: size + files, missing, keptIn };
}

/** The hashes of the files that a backup has: they are called by them. */
const filesIn = (source: string): string[] =>
  existsSync(path.join(source, 'files'))
    ? readdirSync(path.join(source, 'files'), { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map(({ name }) => name)
    : [];

/** The database into PostgreSQL, the files into the folder. */
async function restoreBoth(
  config: Config,
  url: string,
  source: string,
  at: string,
  report: Report,
  link: boolean,
): Promise<Restored> {
  // Which of them the database names is known once it is there: before that, each is looked at.
  await missingIn(config, source, filesIn(source), report);
  const aside = asideFolder(config, at);
  const { hashes, contents, size } = await restoreIntoPostgres(url, source, aside);
  const present = new Set(filesIn(source));
  const missing = hashes.filter((hash) => !present.has(hash));
  const there = hashes.filter((hash) => !missing.includes(hash));
  const staged = emptyStage(config);
  const files = stageFiles(config, source, staged, there, link);
  moveAside(config, at);
  putInPlace(config, source, staged);
  return { ...contents, files: there.length, size: size + files, missing, keptIn: aside };
}

const asideFolder = ({ dataFolder }: Config, at: string): string =>
  path.join(dataFolder, 'backups', `replaced-${at.replace(/[^0-9TZ]/g, '')}`);

/** Moves what is in the data folder into `backups/replaced-…`; answers where. */
function moveAside(config: Config, at: string): string | undefined {
  const { dataFolder } = config;
  const there = readdirSync(dataFolder).filter((name) => REPLACED.test(name));
  if (there.length === 0) return undefined;
  const folder = asideFolder(config, at);
  mkdirSync(folder, { recursive: true });
  for (const name of there) renameSync(path.join(dataFolder, name), path.join(folder, name));
  return folder;
}
