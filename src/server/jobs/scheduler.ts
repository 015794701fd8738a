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
 * Runs each job when its time has come, one after the other, never one of them twice at once. When it is next due stands
 * in the database: after a stop, what was missed runs once, however often it was missed. The returned function stops
 * the scheduler after the job in hand.
 */
export function startJobs(pembit: Pembit, jobs: readonly Job[]): () => Promise<void> {
  let stopped = false;
  let round: Promise<unknown> = Promise.resolve();
  const tick = () => {
    if (!stopped) round = round.then(() => (stopped ? undefined : runDueJobs(pembit, jobs)));
  };
  const timer = setInterval(tick, TICK_MS);
  return async () => {
    stopped = true;
    clearInterval(timer);
    await round;
  };
}

/** One round: every job that is due runs once and gets its next moment. A failure is kept with the job, and tried again then. */
export async function runDueJobs(pembit: Pembit, jobs: readonly Job[]): Promise<string[]> {
  const ran: string[] = [];
  const due = await dueTimes(pembit);
  for (const job of jobs) {
    const now = pembit.now();
    const at = due.get(job.name);
    if (at !== undefined && at > now.epochMilliseconds) continue;
    // A job that was never here waits for its first moment instead of running at once.
    const error =
      at === undefined
        ? undefined
        : await job.run(pembit).then(
            () => undefined,
            (reason: unknown) => (reason instanceof Error ? reason.message : String(reason)),
          );
    if (error) pembit.log.error({ job: job.name, err: error }, 'A job failed');
    if (at !== undefined) ran.push(job.name);
    const doneMs = at === undefined ? null : pembit.now().epochMilliseconds;
    await pembit.queue.write(
      (writer) =>
        markJob(writer, { name: job.name, dueMs: nextRun(job.pattern, pembit.now()), doneMs, error }),
      { aside: true },
    );
  }
  return ran;
}
