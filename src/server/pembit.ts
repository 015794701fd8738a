import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { openDatabase } from '@/data/database';
import { lockFolder } from '@/data/folderLock';
import type { MigrationReport } from '@/data/migrate';
import { migrate } from '@/data/migrate';
import type { Tries } from '@/data/people/tries';
import type { WriteQueue } from '@/data/writeQueue';
import { createWriteQueue } from '@/data/writeQueue';
import type { Clock } from './clock';
import { createClock } from './clock';
import type { Config } from './config';
import { createLog } from './log';
import { keepTries, keptTries } from './session/tries';
import { readSecret } from './secretFile';

/** What every use case works with: one for each process. */
export type Pembit = Readonly<{
  config: Config;
  sequelize: Sequelize;
  queue: WriteQueue;
  log: Logger;
  now: Clock;
  secret: Buffer;
  migrations: MigrationReport;
  /** How often outlets were read, by outlet and day, until it is written down. */
  reads: Map<string, Readonly<{ reads: number; lastAtMs: number }>>;
  /** What was tried of late, by who and what, and which of it is not written down yet. */
  tries: Map<string, Tries>;
  unwrittenTries: Set<string>;
  /** Finishes queued writes, closes the database, gives the folder back. */
  close: () => Promise<void>;
}>;

export async function openPembit(config: Config): Promise<Pembit> {
  const unlock = lockFolder(config.dataFolder);
  try {
    const sequelize = openDatabase(config.dataFolder);
    const queue = createWriteQueue(sequelize);
    const now = createClock(config.startsAt);
    const migrations = await migrate(sequelize, config.dataFolder, now().toString());
    const tries = await keptTries({ sequelize }, now().epochMilliseconds);
    const unwrittenTries = new Set<string>();
    const close = async () => {
      await keepTries({ tries, unwrittenTries, queue, now });
      await queue.drained();
      await sequelize.close();
      unlock();
    };
    const secret = readSecret(config.secretFile);
    return {
      config,
      log: createLog(config.log),
      sequelize,
      queue,
      now,
      secret,
      migrations,
      reads: new Map(),
      tries,
      unwrittenTries,
      close,
    };
  } catch (error) {
    unlock();
    throw error;
  }
}

// The process and Next's bundles are two module instances: what must exist once hangs on globalThis.
const holder = globalThis as { pembit?: Pembit };

export const sharePembit = (pembit: Pembit): void => {
  holder.pembit = pembit;
};

export function sharedPembit(): Pembit {
  if (!holder.pembit) throw new Error('Pembit is not open: start it through server.ts.');
  return holder.pembit;
}
