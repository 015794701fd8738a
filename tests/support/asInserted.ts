import type { Sequelize } from 'sequelize';

/**
 * What orders rows as they were inserted, where nothing has changed them since: for tests alone. PostgreSQL knows the transaction of
 * each row, and its place among those of one.
 */
export const asInserted = (
  { sequelize }: Readonly<{ sequelize: Sequelize }>,
  direction: 'ASC' | 'DESC' = 'ASC',
): string =>
  sequelize.getDialect() === 'sqlite'
    ? `rowid ${direction}`
    : `xmin::text::bigint ${direction}, ctid ${direction}`;
