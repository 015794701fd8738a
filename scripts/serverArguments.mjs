/**
 * How Node keeps its memory: young objects in a space that holds what a page makes, old ones in a bound that keeps the whole
 * process under 1 GB. `PEMBIT_HEAP_MB` sets another bound, for a school that is larger than the one that was measured.
 */
const heapFlags = (env) => [
  `--max-old-space-size=${Number(env.PEMBIT_HEAP_MB) || 700}`,
  '--max-semi-space-size=32',
];

/** What Node is told to run the server: what the build made of server.ts; in development server.ts itself. */
export const serverArguments = (env = process.env) => [
  ...heapFlags(env),
  ...(env.PEMBIT_DEV === '1' ? ['--import', 'tsx', 'server.ts'] : ['.next/pembit/server.mjs']),
];
