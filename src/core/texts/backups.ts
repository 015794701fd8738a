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

const said = en.backupTexts;
const contents = ({ size, ...counts }: BackupReport) =>
  said.contents({ ...counts, megabytes: (size / 1_000_000).toFixed(1) });
const withLost = (line: string, { missing }: BackupReport) =>
  missing.length === 0 ? line : `${line}\n${said.lost({ n: missing.length, names: missing })}`;

/** What the commands for backups say. */
export const backupTexts = extend(en.backupTexts, {
  saved: (found: BackupReport, folder: string) =>
    withLost(said.saved({ contents: contents(found), folder }), found),
  restored: (found: BackupReport, keptIn: string | undefined) =>
    withLost(said.restored({ contents: contents(found), keptIn }), found),
});
