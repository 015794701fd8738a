/**
 * npm run admin -- --email ADDRESS [--name NAME]: lets somebody in as administrator, whatever has locked them out.
 * npm run admin -- --new-secret: accepts that a lost secret is gone; all published addresses become others.
 */
import { parseArgs } from 'node:util';
import { isLocked } from '../src/data/folderLock';
import { letIn, letInCommand, letInProof } from '../src/server/admin/letIn';
import { newSecret } from '../src/server/admin/newSecret';
import { readConfig } from '../src/server/config';
import { openPembit } from '../src/server/openPembit';
import { readSecret } from '../src/server/secretFile';
import { askServer, orStop, stop } from './command';

const USAGE = 'npm run admin -- --email ADDRESS [--name NAME], or npm run admin -- --new-secret';
const FIVE_MINUTES = 5 * 60_000;

const { values } = parseArgs({
  options: {
    email: { type: 'string' },
    name: { type: 'string', default: '' },
    'new-secret': { type: 'boolean', default: false },
  },
});
const config = readConfig(process.env);

if (values['new-secret']) {
  const outlets = await orStop(() => newSecret(config, new Date().toISOString()));
  console.log(`There is a new secret. ${outlets} feeds and embeds have other addresses now: publish them anew. Second steps of signing in are set up anew.`); // prettier-ignore
  process.exit(0);
}
const read = letInCommand.safeParse({ email: values.email, name: values.name, until: Date.now() + FIVE_MINUTES }); // prettier-ignore
if (!read.success) stop(`Say whom to let in: ${USAGE}`);
const command = read.data;

/** Asks the server that holds the folder. */
const throughServer = () =>
  askServer<{ link: string }>(config, '/api/commands/admin', command, {
    'pembit-proof': letInProof(readSecret(config.secretFile), command),
  });

/** Works on the folder itself. */
async function onFolder(): Promise<{ link: string }> {
  const pembit = await openPembit(config);
  try {
    return await letIn(pembit, command);
  } finally {
    await pembit.close();
  }
}

const { link } = await orStop(async () => ((await isLocked(config.dataFolder)) ? throughServer() : onFolder())); // prettier-ignore
console.log(`${command.email} administers this school. A new password within the hour: ${link}`);
