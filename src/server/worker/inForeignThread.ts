import { Worker } from 'node:worker_threads';
import type { FOREIGN_TASKS, ForeignTask } from './foreignTasks';

type Input<T extends ForeignTask> = Parameters<(typeof FOREIGN_TASKS)[T]>[0];
type Answer<T extends ForeignTask> = Awaited<ReturnType<(typeof FOREIGN_TASKS)[T]>>;

/** For the work itself, and for a thread to begin and load what it needs on a machine that is busy. */
const LIMIT_MS = 10_000;
const BEGIN_MS = 60_000;
const LIMIT_MB = 512;

/** A file took longer than it may, or more memory. */
export class TooMuch extends Error {}

/**
 * The thread's own beginning, as text: the bundler of the pages must not take the thread apart. Without a build it is
 * read as TypeScript: what the process was told about that does not hold in its threads.
 */
const BODY =
  process.env.NODE_ENV === 'production'
    ? `import(require('node:url').pathToFileURL(process.cwd() + '/.next/pembit/foreignThread.mjs').href)`
    : `import('tsx/esm/api').then(({ tsImport }) =>
  tsImport('./src/server/worker/foreignThread.ts', require('node:url').pathToFileURL(process.cwd() + '/').href))`;

/** Reads something that others wrote in a thread of its own. @throws TooMuch after ten seconds, or 512 MB. */
export function inForeignThread<T extends ForeignTask>(task: T, input: Input<T>): Promise<Answer<T>> {
  return new Promise((done, fail) => {
    const worker = new Worker(BODY, { eval: true, workerData: { task, input }, execArgv: [], resourceLimits: { maxOldGenerationSizeMb: LIMIT_MB } }); // prettier-ignore
    const finish = (end: () => void) => {
      clearTimeout(timer);
      void worker.terminate();
      end();
    };
    const limit = (ms: number) => setTimeout(() => finish(() => fail(new TooMuch())), ms);
    let timer = limit(BEGIN_MS);
    const events: unknown[] = [];
    worker.on('message', (said: { begun: true } | { part: unknown[] } | { answer: Answer<T> }) => {
      if ('part' in said) return void events.push(...said.part);
      if ('answer' in said) return finish(() => done(events.length > 0 ? ({ ...(said.answer as object), events } as Answer<T>) : said.answer)); // prettier-ignore
      clearTimeout(timer);
      timer = limit(LIMIT_MS);
    });
    worker.once('error', (error: NodeJS.ErrnoException) =>
      finish(() => fail(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new TooMuch() : error)),
    );
  });
}
