/**
 * How Node keeps its memory: young objects in a space that holds what a page makes, old ones in a bound that keeps the whole
 * process under 1 GB. `PEMBIT_HEAP_MB` sets another bound, for a school that is larger than the one that was measured.
 */
export const heapFlags = (env = process.env) => [
  `--max-old-space-size=${Number(env.PEMBIT_HEAP_MB) || 700}`,
  '--max-semi-space-size=32',
];
