// npm run demo: installs, builds, loads the demo's school, starts. `npm run demo -- --fresh` starts over.
import { rmSync } from 'node:fs';
import path from 'node:path';
import { checkNode, ensureBuild, ensurePackages, root, say } from './setup.mjs';
import { sayWhenReady, serve } from './serve.mjs';

checkNode();
ensurePackages();
ensureBuild();
const folder = path.resolve(root, process.env.PEMBIT_DATA ?? 'var/demo');
if (process.argv.includes('--fresh')) {
  say('Starting over with fresh demo data');
  rmSync(folder, { recursive: true, force: true });
}
say('Starting. Open the address below; the sign-in page lists whom you can be.');
serve({ PEMBIT_DEMO: '1', PEMBIT_DATA: folder });
void sayWhenReady(process.env.PEMBIT_BASE_URL ?? `http://localhost:${process.env.PORT ?? 4310}`);
