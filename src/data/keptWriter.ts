import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import { ask } from './asking/ask';
import { endOf } from './database';
import type { Writer } from './reader';

/** The connection of SQLite's that all changes of a process go through, one transaction after the other. */
export type KeptWriter = Readonly<{
  begin: () => Promise<void>;
  commit: () => Promise<void>;
  /** Takes back everything since `begin`. Where the database has done so itself, as when its disk is full, nothing is left to take back. */
  rollback: () => Promise<void>;
  /** Runs one act of the transaction. What it asks after it has ended is refused: the connection is then another act's. */
  act: (work: Work) => Promise<void>;
  /**
   * The same for an act that is taken back by itself when it fails; answers why it failed.
   * @throws what it failed of, where the whole transaction is lost with it
   */
  within: (work: Work) => Promise<Readonly<{ error: unknown }> | undefined>;
}>;

type Work = (writer: Writer) => Promise<void>;

export function keptWriter(sequelize: Sequelize): KeptWriter {
  // Sequelize keeps a connection under each name; one that no transaction has taken stays open until all are closed.
  const options = { type: 'write', uuid: 'writer' } as const;
  /** Sequelize's own transactions open a connection each; its statements need no more of one than this. */
  const transaction = async (): Promise<Transaction> => {
    const connection = await sequelize.connectionManager.getConnection({ ...options });
    return Object.assign(new Transaction(sequelize, {}), { connection });
  };
  let own: Promise<Transaction> | undefined;
  const say = async (sql: string): Promise<void> => {
    await ask({ sequelize, transaction: await (own ??= transaction()) }, sql, {});
  };
  const act = async (work: Work): Promise<void> => {
    const writer = { sequelize, transaction: await transaction() };
    try {
      await work(writer);
    } finally {
      await endOf(writer.transaction);
    }
  };
  return {
    begin: () => say('BEGIN IMMEDIATE'),
    commit: () => say('COMMIT'),
    rollback: () => say('ROLLBACK').catch(() => undefined),
    act,
    async within(work) {
      await say('SAVEPOINT act');
      try {
        await act(work);
      } catch (error) {
        try {
          await say('ROLLBACK TO act');
        } catch {
          throw error;
        }
        await say('RELEASE act');
        return { error };
      }
      await say('RELEASE act');
      return undefined;
    },
  };
}
