import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { databaseFile, openStore } from '@/data/database';
import { hasAddresses } from '@/data/soundness';
import { lockFolder } from '@/data/folderLock';
import { migrate } from '@/data/migrate';
import { giveToOwner, makeOnlyPrivate, makePrivate } from '@/data/privateFolder';
import { createPostgresQueue } from '@/data/postgres/postgresQueue';
import { createWriteQueue } from '@/data/writeQueue';
import { createClock } from './clock';
import type { Config } from './config';
import { createLog } from './log';
import type { Pembit } from './pembit';
import { createMetrics } from './metrics/metrics';
import { eraseAgain } from './people/erasures';
import { storedTries, triesInMemory } from '@/data/people/tries';
import { keepTries, keptTries } from './session/tries';
import { readSecret } from './secretFile';

const isDamaged = (error: unknown): boolean =>
  /SQLITE_(NOTADB|CORRUPT)/.test(
    String((error as { original?: { code?: string } })?.original?.code ?? error),
  );

/** @throws Error with a sentence where a folder has lost its database: an empty one must not take its place. */
function requireDatabase(folder: string): void {
  if (existsSync(databaseFile(folder))) return;
  const rest = ['files', 'backups'].filter(
    (name) => existsSync(path.join(folder, name)) && readdirSync(path.join(folder, name)).length > 0,
  );
  if (rest.length > 0)
    throw new Error(
      `The data folder has ${rest.join(' and ')}, but no database (pembit.sqlite). Restore a backup (npm run restore -- FOLDER), or set PEMBIT_DATA to an empty folder.`,
    );
}

/** Opens a data folder for this process alone. @throws Error with a sentence where that cannot be. */
export async function openPembit(config: Config): Promise<Pembit> {
  makeOnlyPrivate();
  mkdirSync(config.dataFolder, { recursive: true });
  // Beside PostgreSQL the folder holds files alone, and several processes share it.
  const unlock = config.databaseUrl ? () => Promise.resolve() : await lockFolder(config.dataFolder);
  try {
    if (!config.databaseUrl) requireDatabase(config.dataFolder);
    const sequelize = openStore(config);
    const metrics = createMetrics();
    const now = createClock(config.startsAt);
    const migrations = await migrate(sequelize, config.dataFolder, now().toString());
    const queue = config.databaseUrl
      ? await createPostgresQueue(sequelize, config.databaseUrl, metrics.write)
      : createWriteQueue(sequelize, metrics.write);
    makePrivate(config.dataFolder);
    const secret = readSecret(config.secretFile, { isNew: !(await hasAddresses({ sequelize })) });
    await eraseAgain({ sequelize, queue }, config.dataFolder, now().epochMilliseconds);
    const tries = config.databaseUrl
      ? storedTries(sequelize, queue)
      : triesInMemory(queue, await keptTries({ sequelize }, now().epochMilliseconds));
    const ending = new AbortController();
    const stop = () => ending.abort();
    const end = async () => {
      stop();
      await keepTries({ tries, now });
      await queue.drained();
      await queue.close();
      await sequelize.close();
      // A command that root ran leaves nothing behind that the account of the server could not write.
      giveToOwner(config.dataFolder);
      await unlock();
    };
    let ended: Promise<void> | undefined;
    const close = () => (ended ??= end());
    return {
      config,
      log: createLog(config.log),
      sequelize,
      queue,
      now,
      secret,
      migrations,
      metrics,
      reads: new Map(),
      tries,
      stopping: ending.signal,
      stop,
      close,
    };
  } catch (error) {
    await unlock();
    if (isDamaged(error))
      throw new Error(
        'The database (pembit.sqlite) is damaged. Restore a backup: npm run restore -- FOLDER. What is there is kept aside.',
        { cause: error },
      );
    throw error;
  }
}
