import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

export default defineConfig({
  resolve: { alias },
  test: {
    // One for each core: vitest leaves one of them to itself.
    maxWorkers: '100%',
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          // Files of one worker share the modules they import, which takes as long to read as a quarter of the tests.
          isolate: false,
          include: ['src/**/*.test.ts', 'tests/reference/**/*.test.ts', 'tests/properties/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          // In another order each time, so that no test leans on another; the seed is printed, and `--sequence.seed` repeats it.
          sequence: { shuffle: { files: true, tests: true } },
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          globalSetup: ['tests/browser/server.ts'],
          testTimeout: 300_000,
          hookTimeout: 300_000,
          // What a machine with other work beside does to one of them is named at the end of `npm test`, and stops nobody.
          retry: 1,
          fileParallelism: false,
        },
      },
    ],
  },
});
