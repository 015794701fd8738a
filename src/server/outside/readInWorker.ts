import { Worker } from 'node:worker_threads';
import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import type { PlainCalendar } from './plainCalendar';
import { fromPlain } from './plainCalendar';

/** What a thread is given to read: octets, or the path of a file. */
export type ReadJob = Readonly<{ octets?: Uint8Array; path?: string; tzid: string }>;

const LIMIT_MS = 10_000;

/**
 * The thread's own beginning, as text: what the process was told about TypeScript does not hold in its threads, and the
 * bundler of the pages must not take the thread apart.
 */
const BODY = `import('tsx/esm/api').then(({ tsImport }) =>
  tsImport('./src/server/outside/readJob.ts', require('node:url').pathToFileURL(process.cwd() + '/').href))`;

/** Reads a calendar in a thread of its own; undefined when it takes longer than ten seconds. */
export function readInWorker(job: ReadJob): Promise<ReadCalendar | undefined> {
  return new Promise((done, fail) => {
    const worker = new Worker(BODY, { eval: true, workerData: job, execArgv: [], resourceLimits: { maxOldGenerationSizeMb: 512 } }); // prettier-ignore
    const finish = (end: () => void) => {
      clearTimeout(timer);
      void worker.terminate();
      end();
    };
    const timer = setTimeout(() => finish(() => done(undefined)), LIMIT_MS);
    worker.once('message', (calendar: PlainCalendar) => finish(() => done(fromPlain(calendar))));
    worker.once('error', (error) => finish(() => fail(error)));
  });
}
