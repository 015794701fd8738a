import * as en from './compiled/en/backups';
import { extend } from './extend';
/** What is in a backup, or came back from one. */
export type BackupReport = Readonly<{
  courses: number;
  entries: number;
  people: number;
  /** Uploaded files, each counted once. */
  files: number;
  /** In bytes, the files included. */
  size: number;
  /** Hashes of files that the database names and the folder does not have. */
  missing: readonly string[];
}>;

const contents = ({ courses, entries, people, files, size }: BackupReport) =>
  `${courses} courses, ${entries} entries, ${people} people, ${files} files, ${(size / 1_000_000).toFixed(1)} MB`;
const missing = (found: BackupReport) =>
  found.missing.length > 0
    ? `\nMissing since before the backup, ${found.missing.length}: ${found.missing.join(', ')}`
    : '';

/** What the commands for backups say. */
export const backupTexts = extend(en.backupTexts, {
  saved: (found: BackupReport, folder: string) => `Saved ${contents(found)} in ${folder}${missing(found)}`,
  restored: (found: BackupReport, keptIn: string | undefined) =>
    `Restored ${contents(found)}${keptIn ? `; what was there is kept in ${keptIn}` : ''}${missing(found)}`,
});
