import type { Sequelize } from 'sequelize';
import { select } from '../database';
import { tableNames } from '../dialect';

/** Removes all tables of a database: those of a newer version as well, which a backup knows nothing of. */
export async function dropTables(sequelize: Sequelize): Promise<void> {
  const tables = await select<{ name: string }>({ sequelize }, tableNames({ sequelize }));
  if (tables.length > 0)
    await sequelize.query(`DROP TABLE ${tables.map(({ name }) => `"${name}"`).join(', ')} CASCADE`);
}
