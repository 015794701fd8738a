import type { Sequelize, Transaction } from 'sequelize';

/** What reads go through: a connection for reading, or the transaction that is about to write. */
export type Reader = Readonly<{ sequelize: Sequelize; transaction?: Transaction }>;

/** A transaction in which is written. */
export type Writer = Reader & Readonly<{ transaction: Transaction }>;
