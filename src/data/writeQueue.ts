import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import type { Reader } from './database';

export type Writer = Reader & Readonly<{ transaction: Transaction }>;

export type WriteQueue = Readonly<{
  /** Runs `work` alone, in one IMMEDIATE transaction: committed when it returns, rolled back when it throws. */
  write: <T>(work: (writer: Writer) => Promise<T>) => Promise<T>;
  /** Resolves when everything queued so far is done. */
  drained: () => Promise<void>;
}>;

/**
 * One writer at a time. SQLite has one write lock; without the queue the waiting transactions occupy the threads
 * that the lock's holder needs to finish.
 */
export function createWriteQueue(sequelize: Sequelize): WriteQueue {
  let last: Promise<unknown> = Promise.resolve();
  return {
    write(work) {
      const run = last.then(() =>
        sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
          work({ sequelize, transaction }),
        ),
      );
      last = run.catch(() => undefined);
      return run;
    },
    drained: () => last.then(() => undefined),
  };
}
