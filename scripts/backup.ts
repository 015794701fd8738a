/** npm run backup -- FOLDER [--json]: copies the data folder into an empty one, while a server may be running. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { backupTexts } from '../src/core/texts/backups';
import { backup } from '../src/server/backup/backup';
import { readConfig } from '../src/server/config';
import { orStop, progressLine, stop } from './command';

const { values, positionals } = parseArgs({ allowPositionals: true, options: { json: { type: 'boolean', default: false } } }); // prettier-ignore
const [folder] = positionals;
if (!folder) stop('Say where the backup goes: npm run backup -- FOLDER [--json]');
const target = path.resolve(folder);
const found = await orStop(() => backup(readConfig(process.env), target, progressLine(backupTexts.files)));
console.log(values.json ? JSON.stringify(found, undefined, 2) : backupTexts.saved(found, target));
process.exit(found.missing.length > 0 ? 1 : 0);
