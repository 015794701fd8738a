/** npm run import -- FILE --course CODE [--term NAME] [--as EMAIL] [--draft] [--json]: brings a calendar file into a course. */
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { importTexts } from '../src/core/texts/imports';
import { refusalTexts } from '../src/core/texts/refusals';
import { isLocked } from '../src/data/folderLock';
import { readConfig } from '../src/server/config';
import type { CommandReport, ImportCommand } from '../src/server/exchange/importCommand';
import { commandDoor, commandProof, importByCommand } from '../src/server/exchange/importCommand';
import { openPembit } from '../src/server/openPembit';
import { readSecret } from '../src/server/secretFile';
import { askServer, stop } from './command';

const USAGE = 'npm run import -- FILE --course CODE [--term NAME] [--as EMAIL] [--draft] [--json]';
const FIVE_MINUTES = 5 * 60_000;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    course: { type: 'string' },
    term: { type: 'string', default: '' },
    as: { type: 'string', default: '' },
    draft: { type: 'boolean', default: false },
    json: { type: 'boolean', default: false },
  },
});
const [file] = positionals;
if (!file || !values.course) stop(`Say which file, and into which course: ${USAGE}`);
if (!existsSync(file)) stop(`There is no file ${file}.`);
const { course, term, as, draft, json } = values;
const config = readConfig(process.env);
const command: ImportCommand = { course, term, as, draft, name: path.basename(file), file: readFileSync(file).toString('base64'), until: Date.now() + FIVE_MINUTES }; // prettier-ignore

/** Asks the server that holds the folder. */
const throughServer = () =>
  askServer<CommandReport>(config, '/api/commands/import', command, {
    'pembit-door': commandDoor(readSecret(config.secretFile), command.until),
    'pembit-proof': commandProof(readSecret(config.secretFile), command),
  });

/** Works on the folder itself. */
async function onFolder(): Promise<CommandReport> {
  const pembit = await openPembit(config);
  try {
    const outcome = await importByCommand(pembit, command);
    return outcome.ok ? outcome.value : stop(outcome.fields?.[0]?.message ?? refusalTexts[outcome.reason]);
  } finally {
    await pembit.close();
  }
}

const { added, changed, same, left } = (await isLocked(config.dataFolder))
  ? await throughServer()
  : await onFolder();
if (json) console.log(JSON.stringify({ added, changed, same, left }, undefined, 2));
else {
  console.log(`${course}: ${importTexts.counts({ new: added, changed, same, left: left.length })}`);
  for (const { line, title, why } of left) console.log(`  ${importTexts.line({ line })}: ${title} ${why}`);
}
