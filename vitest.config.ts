import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { compileMessages } from './scripts/messages.mjs';

compileMessages();

const alias = { '@': fileURLToPath(new URL('./src', import.meta.url)) };

/** Tests of what is a file of SQLite's, or says for itself where it runs. */
const OF_FILES = /\/(backup|openPembit|outOfRoom|references|writeQueue|migrate|nightly)\.test\.ts$/;

/** The tests of data and server that open a school of their own: they hold on PostgreSQL as well. */
function onBothDatabases(): string[] {
  const files = ['src/data', 'src/server'].flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => `${folder}/${name}`),
  );
  return files.filter(
    (file) =>
      file.endsWith('.test.ts') &&
      !OF_FILES.test(file) &&
      /support\/(school|siteSchool|postgres)'/.test(readFileSync(file, 'utf8')),
  );
}

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
          // What several processes do to each other is seen on PostgreSQL alone.
          exclude: ['src/**/*.processes.test.ts'],
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
          name: 'postgres',
          isolate: false,
          include: onBothDatabases(),
          globalSetup: ['tests/support/postgres.ts'],
          setupFiles: ['tests/support/onPostgres.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
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
