// The process itself as two files of JavaScript beside Next's build: it starts in little more than half the time, with no compiler loaded.
import path from 'node:path';
import { build } from 'esbuild';

const root = path.resolve(import.meta.dirname, '..');

/** Packages stay where they are; their tables in JSON are taken in, which Node 20 reads only with words of its own. */
const packagesStay = {
  name: 'packages stay',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
      kind === 'entry-point' || name.startsWith('@/') || name.endsWith('.json')
        ? undefined
        : { external: true },
    ),
};

await build({
  absWorkingDir: root,
  entryPoints: { server: 'server.ts', foreignThread: 'src/server/worker/foreignThread.ts' },
  outdir: '.next/pembit',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  // Before all else, as server.ts has it: a bundle's own imports come after those of what it holds.
  banner: { js: "import 'temporal-polyfill/global';" },
  plugins: [packagesStay],
  logLevel: 'warning',
});
