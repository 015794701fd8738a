import type { Sequelize } from 'sequelize';

/** What orders rows as they were inserted, where nothing has changed them since: for tests alone. */
export const asInserted = ({ sequelize }: Readonly<{ sequelize: Sequelize }>): string =>
  sequelize.getDialect() === 'sqlite' ? 'rowid' : 'ctid';
