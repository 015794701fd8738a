import { zoneDataVersion } from '@/core/time/zoneData';
import { dueTimes } from '@/data/jobs/jobs';
import { outboxCounts } from '@/data/mail/outbox';
import { tryWrite } from '@/data/jobs/tryWrite';
import { newestBackupMs } from './backup/nightly';
import type { Pembit } from './pembit';

/** What is not as it should be, by name. */
export type HealthProblem = 'noReading' | 'noWriting' | 'jobsLate' | 'lettersFailing' | 'backupOld';

export type Health = Readonly<{
  live: true;
  /** Whether the database reads and writes. */
  ready: boolean;
  problems: readonly HealthProblem[];
  zoneData: string;
  /** How long the job that has waited longest is overdue. */
  jobLagSeconds: number;
  /** Since the newest nightly backup was made and tried; absent while there is none. */
  backupAgeSeconds?: number;
}>;

const WRITE_EVERY_MS = 10_000;
const WRITE_WITHIN_MS = 5000;
const LATE_SECONDS = 300;
const BACKUP_OLD_MS = 50 * 3_600_000;
/** So many letters that wait after a failure are more than a reader's full mailbox. */
const MANY_LETTERS = 10;

type Tested = { atMs: number; writes: Promise<boolean> };
const tested = new WeakMap<Pembit['queue'], Tested>();

/** Whether a write goes through; tried every ten seconds at most, however often it is asked. */
function writes({ queue }: Pembit): Promise<boolean> {
  const known = tested.get(queue);
  if (known && performance.now() - known.atMs < WRITE_EVERY_MS) return known.writes;
  const late = new Promise<boolean>((resolve) => setTimeout(() => resolve(false), WRITE_WITHIN_MS).unref());
  const written = queue.write(tryWrite, { aside: true, locks: [] }).then(
    () => true,
    () => false,
  );
  const trying = { atMs: performance.now(), writes: Promise.race([written, late]) };
  tested.set(queue, trying);
  return trying.writes;
}

/** How long each job is overdue, in seconds; undefined while the database does not answer. */
export async function jobLags(pembit: Pembit): Promise<ReadonlyMap<string, number> | undefined> {
  const due = await dueTimes(pembit).catch(() => undefined);
  const nowMs = pembit.now().epochMilliseconds;
  return due && new Map([...due].map(([name, at]) => [name, Math.max(0, Math.round((nowMs - at) / 1000))]));
}

/** Live because it answers; ready when the database reads and writes. What is wrong is named. */
export async function health(pembit: Pembit): Promise<Health> {
  const [lags, writing, letters] = await Promise.all([
    jobLags(pembit),
    writes(pembit),
    outboxCounts(pembit).catch(() => undefined),
  ]);
  const jobLagSeconds = Math.max(0, ...(lags?.values() ?? []));
  const newest = newestBackupMs(pembit.config.backupFolder);
  const age = newest === undefined ? undefined : Date.now() - newest;
  const problems: HealthProblem[] = [
    ...(lags ? [] : (['noReading'] as const)),
    ...(writing ? [] : (['noWriting'] as const)),
    ...(jobLagSeconds > LATE_SECONDS ? (['jobsLate'] as const) : []),
    ...((letters?.retrying ?? 0) > MANY_LETTERS ? (['lettersFailing'] as const) : []),
    ...(age !== undefined && age > BACKUP_OLD_MS ? (['backupOld'] as const) : []),
  ];
  return {
    live: true,
    ready: lags !== undefined && writing,
    problems,
    zoneData: zoneDataVersion,
    jobLagSeconds,
    ...(age === undefined ? {} : { backupAgeSeconds: Math.max(0, Math.round(age / 1000)) }),
  };
}
