type Found = Readonly<{
  courses: number;
  entries: number;
  people: number;
  files: number;
  size: number;
  missing: readonly string[];
}>;

const contents = ({ courses, entries, people, files, size }: Found) =>
  `${courses} courses, ${entries} entries, ${people} people, ${files} files, ${(size / 1_000_000).toFixed(1)} MB`;
const missing = (found: Found) =>
  found.missing.length > 0
    ? `\nMissing since before the backup, ${found.missing.length}: ${found.missing.join(', ')}`
    : '';

/** What the commands for backups say. */
export const backupTexts = {
  files: 'Files',
  saved: (found: Found, folder: string) => `Saved ${contents(found)} in ${folder}${missing(found)}`,
  restored: (found: Found, keptIn: string | undefined) =>
    `Restored ${contents(found)}${keptIn ? `; what was there is kept in ${keptIn}` : ''}${missing(found)}`,
} as const;
