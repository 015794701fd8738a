/** npm run roster -- FOLDER [--json]: takes over the school's lists (OneRoster 1.2 CSV), as is done each night with PEMBIT_ROSTERS. */
import path from 'node:path';
import { parseArgs } from 'node:util';
import { isLocked } from '../src/data/folderLock';
import { refusalTexts } from '../src/core/texts/refusals';
import { reportLines } from '../src/core/texts/rosterReport';
import { readConfig } from '../src/server/config';
import { openPembit } from '../src/server/openPembit';
import type { RosterReport } from '../src/server/people/keepRosters';
import { readRostersOf } from '../src/server/people/keepRosters';
import { rosterProof } from '../src/server/people/rosterCommand';
import { readSecret } from '../src/server/secretFile';
import { askServer, orStop, stop } from './command';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { json: { type: 'boolean', default: false } },
});
const [given] = positionals;
if (!given) stop('Say which folder has the lists: npm run roster -- FOLDER [--json]');
const config = readConfig(process.env);
const command = { folder: path.resolve(given), until: Date.now() + 5 * 60_000 };

/** Works on the data folder itself. */
async function onFolder(): Promise<RosterReport> {
  const pembit = await openPembit(config);
  try {
    const outcome = await readRostersOf(pembit, command.folder);
    return outcome.ok ? outcome.value : stop(refusalTexts[outcome.reason]);
  } finally {
    await pembit.close();
  }
}

const throughServer = () =>
  askServer<RosterReport>(config, '/api/commands/rosters', command, {
    'pembit-proof': rosterProof(readSecret(config.secretFile), command),
  });

const report = await orStop(async () => ((await isLocked(config.dataFolder)) ? throughServer() : onFolder()));
if (values.json) console.log(JSON.stringify(report, undefined, 2));
else for (const line of reportLines(report)) console.log(line);
if (report.failure) process.exitCode = 1;
