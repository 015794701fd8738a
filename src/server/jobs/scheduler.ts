import { Cron } from 'croner';
import type { Temporal } from 'temporal-polyfill';
import { dueTimes, markJob } from '@/data/jobs/jobs';
import type { Pembit } from '../pembit';

/** Work that comes round by itself. `pattern` is a cron pattern in UTC, with seconds. */
export type Job = Readonly<{
  name: string;
  pattern: string;
  /** Finds for itself what is to be done, so that a run after a crash does nothing twice. */
  run: (pembit: Pembit) => Promise<unknown>;
}>;

/** The first moment after `now` that a pattern names. */
export function nextRun(pattern: string, now: Temporal.Instant): number {
  const next = new Cron(pattern, { timezone: 'Etc/UTC' }).nextRun(new Date(now.epochMilliseconds));
  if (!next) throw new Error(`The pattern ${pattern} never comes round.`);
  return next.getTime();
}

const TICK_MS = 1000;

/**
 * Runs each job when its time has come, never one of them twice at once; none waits for another. When it is next due stands in
 * the database: after a stop, what was missed runs once, however often it was missed. The returned function begins no
 * more of them, and resolves when those in hand are done.
 */
export function startJobs(pembit: Pembit, jobs: readonly Job[]): () => Promise<void> {
  let stopped = false;
  const inHand = new Map<string, Promise<unknown>>();
  const tick = async () => {
    const due = await dueTimes(pembit);
    for (const job of jobs) {
      if (stopped || inHand.has(job.name)) continue;
      const run = runIfDue(pembit, job, due.get(job.name))
        .catch((error: unknown) =>
          pembit.log.error({ job: job.name, err: error }, 'A job could not be marked'),
        )
        .finally(() => inHand.delete(job.name));
      inHand.set(job.name, run);
    }
  };
  const timer = setInterval(() => {
    tick().catch((error: unknown) => pembit.log.error({ err: error }, 'Jobs could not be looked up'));
  }, TICK_MS);
  return async () => {
    stopped = true;
    clearInterval(timer);
    await Promise.all(inHand.values());
  };
}

/** One round: every job that is due runs once. Answers the names of those that ran. */
export async function runDueJobs(pembit: Pembit, jobs: readonly Job[]): Promise<string[]> {
  const due = await dueTimes(pembit);
  const ran = await Promise.all(jobs.map((job) => runIfDue(pembit, job, due.get(job.name))));
  return jobs.filter((_, i) => ran[i]).map((job) => job.name);
}

/** Runs a job whose time has come, and gives it its next moment. A failure is kept with the job, and tried again then. */
async function runIfDue(pembit: Pembit, job: Job, at: number | undefined): Promise<boolean> {
  if (at !== undefined && at > pembit.now().epochMilliseconds) return false;
  // A job that was never here waits for its first moment instead of running at once.
  const runs = at !== undefined;
  const error = runs
    ? await job.run(pembit).then(
        () => undefined,
        (reason: unknown) => (reason instanceof Error ? reason.message : String(reason)),
      )
    : undefined;
  if (error) pembit.log.error({ job: job.name, error }, 'A job failed');
  if (runs) pembit.metrics.jobRuns.inc({ job: job.name, outcome: error ? 'failed' : 'done' });
  const doneMs = runs ? pembit.now().epochMilliseconds : null;
  await pembit.queue.write(
    (writer) => markJob(writer, { name: job.name, dueMs: nextRun(job.pattern, pembit.now()), doneMs, error }),
    { aside: true },
  );
  return runs;
}
