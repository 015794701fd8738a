import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import type { MigrationReport } from '@/data/migrate';
import type { TryCounts } from '@/data/people/tries';
import type { WriteQueue } from '@/data/writeQueue';
import type { Clock } from './clock';
import type { Config } from './config';
import type { Metrics } from './metrics/metrics';

/** What every use case works with: one for each process. */
export type Pembit = Readonly<{
  config: Config;
  sequelize: Sequelize;
  queue: WriteQueue;
  log: Logger;
  now: Clock;
  secret: Buffer;
  migrations: MigrationReport;
  metrics: Metrics;
  /** How often outlets were read, by outlet and day, until it is written down. */
  reads: Map<string, Readonly<{ reads: number; lastAtMs: number }>>;
  /** What was tried of late, by who and what. */
  tries: TryCounts;
  /** Aborted as soon as the process is to end: what waits for something waits no more. */
  stopping: AbortSignal;
  /** Says that it is to end. */
  stop: () => void;
  /** Finishes queued writes, closes the database, gives the folder back. */
  close: () => Promise<void>;
}>;

// The process and Next's bundles are two module instances: what must exist once hangs on globalThis.
const holder = globalThis as { pembit?: Pembit };

export const sharePembit = (pembit: Pembit): void => {
  holder.pembit = pembit;
};

/** The figures of the process, where it has opened a folder. */
export const sharedMetrics = (): Metrics | undefined => holder.pembit?.metrics;

export function sharedPembit(): Pembit {
  if (!holder.pembit) throw new Error('Pembit is not open: start it through server.ts.');
  return holder.pembit;
}
