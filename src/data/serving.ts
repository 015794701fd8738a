import type { Sequelize } from 'sequelize';
import type { Place } from './database';
import { APPLICATION, connectTo, select } from './database';
import { lockFolder } from './folderLock';

/** Whether any process of Pembit is connected to a PostgreSQL database; one's own connections have to have another name. */
export const isServed = async (sequelize: Sequelize): Promise<boolean> =>
  (
    await select(
      { sequelize },
      'SELECT 1 FROM pg_stat_activity WHERE datname = current_database() AND application_name = :name LIMIT 1',
      { name: APPLICATION },
    )
  ).length > 0;

/**
 * Makes sure that no server has a place, for what must be alone with it. The returned function gives a folder back; nothing keeps a
 * server from starting on PostgreSQL meanwhile.
 * @throws Error with a sentence for the operator.
 */
export async function takePlace({ dataFolder, databaseUrl }: Place): Promise<() => Promise<void>> {
  if (databaseUrl === undefined) return lockFolder(dataFolder);
  const sequelize = connectTo(databaseUrl, COMMAND);
  try {
    if (await isServed(sequelize))
      throw new Error('A Pembit is connected to this database. Stop all its processes first.');
  } finally {
    await sequelize.close();
  }
  return () => Promise.resolve();
}

/** What the connections of an operator's command are called. */
export const COMMAND = 'pembit-command';
