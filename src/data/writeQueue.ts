import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import type { Reader } from './database';
import { createVersions } from './versions';

export type Writer = Reader & Readonly<{ transaction: Transaction }>;

/** `aside`: a write that no plan is read from (a session, a mark that something was shown, a letter that went out). */
export type WriteOptions<T> = Readonly<{
  aside?: boolean;
  /** Whose reads the write outdates, where that is known: nobody's, or those of some scopes; undefined: everybody's. */
  outdates?: (result: T) => readonly string[] | undefined;
  /** Done when it is this write's turn, before it writes: while it runs nobody else writes. It throws to refuse. */
  first?: () => Promise<void>;
  /**
   * What it decides about, where it reads nothing else that a write could change meanwhile: on PostgreSQL writes about other
   * things go on beside it. Nothing: statements that hold by themselves. Absent: it is alone.
   */
  locks?: readonly string[];
}>;

export type WriteQueue = Readonly<{
  /** Runs `work` in its turn, in one transaction: committed when it returns, rolled back when it throws. It may run more than once. */
  write: <T>(work: (writer: Writer) => Promise<T>, options?: WriteOptions<T>) => Promise<T>;
  /** Grows with every write that was committed, those aside excepted: what was read under the same number still holds. */
  version: () => number;
  /** The same for reads that hang on some scopes alone: changes with the writes that outdate one of them, or everything. */
  versionFor: (scopes: readonly string[]) => string;
  /** Resolves when everything queued so far is done. */
  drained: () => Promise<void>;
  /** Ends what the queue keeps open. */
  close: () => Promise<void>;
}>;

/** Who is told how long writes wait, and how they end. */
export type WriteTimes = Readonly<{
  waiting: (n: number) => void;
  began: (waitedMs: number) => void;
  ended: (outcome: 'done' | 'refused') => void;
}>;

/**
 * One writer at a time, for SQLite. It has one write lock; without the queue the waiting transactions occupy the threads
 * that the lock's holder needs to finish.
 */
export function createWriteQueue(sequelize: Sequelize, times?: WriteTimes): WriteQueue {
  let waiting = 0;
  let last: Promise<unknown> = Promise.resolve();
  const versions = createVersions();
  const outdate = (scopes: readonly string[] | undefined) => {
    if (scopes?.length !== 0) versions.outdate(versions.version() + 1, scopes);
  };
  return {
    version: versions.version,
    versionFor: versions.versionFor,
    write(work, { aside = false, first, outdates } = {}) {
      const askedAt = performance.now();
      times?.waiting(++waiting);
      const run = last.then(async () => {
        times?.waiting(--waiting);
        times?.began(performance.now() - askedAt);
        await first?.();
        const result = await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
          work({ sequelize, transaction }),
        );
        if (!aside) outdate(outdates?.(result));
        return result;
      });
      last = run.then(
        () => times?.ended('done'),
        () => times?.ended('refused'),
      );
      return run;
    },
    drained: () => last.then(() => undefined),
    close: () => Promise.resolve(),
  };
}
