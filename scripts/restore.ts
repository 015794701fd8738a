/** npm run restore -- FOLDER [--json]: puts a backup in the place of what is in the data folder, which is kept aside. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { backupTexts } from '../src/core/texts/backups';
import { restore } from '../src/server/backup/restore';
import { readConfig } from '../src/server/config';
import { openPembit } from '../src/server/openPembit';
import { orStop, progressLine, stop } from './command';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { json: { type: 'boolean', default: false } } }); // prettier-ignore
const [folder] = positionals;
if (!folder) stop('Say where the backup lies: npm run restore -- FOLDER [--json]');
const config = readConfig(process.env);
const found = await orStop(async () => {
  const at = new Date().toISOString();
  const restored = await restore(config, path.resolve(folder), at, progressLine(backupTexts.files));
  // Opened once, so that a backup of an older version is brought up to date, and one of a newer version is refused here.
  await (await openPembit(config)).close();
  return restored;
});
console.log(values.json ? JSON.stringify(found, undefined, 2) : backupTexts.restored(found, found.keptIn));
process.exit(found.missing.length > 0 ? 1 : 0);
