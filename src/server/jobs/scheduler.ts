import { randomUUID } from 'node:crypto';
import { Cron } from 'croner';
import type { Temporal } from 'temporal-polyfill';
import { claimJob, dueTimes, keepJob, markJob } from '@/data/jobs/jobs';
import type { Pembit } from '../pembit';

/** Work that comes round by itself. `pattern` is a cron pattern in UTC, with seconds. */
export type Job = Readonly<{
  name: string;
  pattern: string;
  /** Of each process for itself: it writes down what that process alone knows. Others belong to one process at a time. */
  everywhere?: boolean;
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
/** For so long a job is a process's own without a word from it; it says so three times as often. Whoever takes longer has died. */
const HOLD_MS = 30_000;
/** How this process is called where several have jobs in hand. */
const ME = randomUUID();

/**
 * Runs each job when its time has come, never one of them twice at once; none waits for another. When it is next due stands in
 * the database: after a stop, what was missed runs once, however often it was missed. The returned function begins no
 * more of them, and resolves when those in hand are done.
 */
export function startJobs(pembit: Pembit, jobs: readonly Job[]): () => Promise<void> {
  let stopped = false;
  const inHand = new Map<string, Promise<unknown>>();
  const ownTimes = new Map<string, number>();
  const tick = async () => {
    const due = await dueTimes(pembit);
    for (const job of jobs) {
      if (stopped || inHand.has(job.name)) continue;
      const run = (job.everywhere ? runHere(pembit, job, ownTimes) : runIfDue(pembit, job, due.get(job.name)))
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

/** Runs a job of this process whose time has come; when it comes next is in memory. */
async function runHere(pembit: Pembit, job: Job, times: Map<string, number>): Promise<boolean> {
  const at = times.get(job.name);
  const isDue = at !== undefined && at <= pembit.now().epochMilliseconds;
  if (isDue) await outcomeOf(pembit, job);
  if (isDue || at === undefined) times.set(job.name, nextRun(job.pattern, pembit.now()));
  return isDue;
}

/** Runs a job; answers what went wrong. */
async function outcomeOf(pembit: Pembit, job: Job): Promise<string | undefined> {
  const error = await job.run(pembit).then(
    () => undefined,
    (reason: unknown) => (reason instanceof Error ? reason.message : String(reason)),
  );
  if (error) pembit.log.error({ job: job.name, error }, 'A job failed');
  pembit.metrics.jobRuns.inc({ job: job.name, outcome: error ? 'failed' : 'done' });
  return error;
}

/** Does some work with a job in hand, where no other process has it; undefined where one has. */
async function holding<T>(pembit: Pembit, name: string, work: () => Promise<T>): Promise<T | undefined> {
  const { queue, config } = pembit;
  if (!config.databaseUrl) return work();
  const held = { name, by: ME, holdMs: HOLD_MS };
  const free = { aside: true, locks: [] } as const;
  const nowMs = pembit.now().epochMilliseconds;
  if (!(await queue.write((writer) => claimJob(writer, { ...held, nowMs }), free))) return undefined;
  const keep = () =>
    queue
      .write((writer) => keepJob(writer, held), free)
      .then((own) => own || pembit.log.warn({ job: name }, 'Another process has taken this job up'))
      .catch((error: unknown) =>
        pembit.log.error({ job: name, err: error }, 'A job could not be kept in hand'),
      );
  const timer = setInterval(() => void keep(), HOLD_MS / 3);
  return work().finally(() => clearInterval(timer));
}

/** Runs a job whose time has come, and gives it its next moment. A failure is kept with the job, and tried again then. */
async function runIfDue(pembit: Pembit, job: Job, at: number | undefined): Promise<boolean> {
  if (at !== undefined && at > pembit.now().epochMilliseconds) return false;
  const mark = (doneMs: number | null, error?: string) =>
    pembit.queue.write(
      (writer) =>
        markJob(writer, { name: job.name, dueMs: nextRun(job.pattern, pembit.now()), doneMs, error }),
      { aside: true, locks: [] },
    );
  // A job that was never here waits for its first moment instead of running at once.
  if (at === undefined) return mark(null).then(() => false);
  const ran = await holding(pembit, job.name, async () => {
    const error = await outcomeOf(pembit, job);
    await mark(pembit.now().epochMilliseconds, error);
    return true;
  });
  return ran ?? false;
}
