import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import type { Reader } from './database';

export type Writer = Reader & Readonly<{ transaction: Transaction }>;

/** `aside`: a write that no plan is read from (a session, a mark that something was shown, a letter that went out). */
type WriteOptions<T> = Readonly<{
  aside?: boolean;
  /** Whose reads the write outdates, where that is known: nobody's, or those of some scopes; undefined: everybody's. */
  outdates?: (result: T) => readonly string[] | undefined;
  /** Done when it is this write's turn, before its transaction: while it runs nobody else writes. It throws to refuse. */
  first?: () => Promise<void>;
}>;

export type WriteQueue = Readonly<{
  /** Runs `work` alone, in one IMMEDIATE transaction: committed when it returns, rolled back when it throws. */
  write: <T>(work: (writer: Writer) => Promise<T>, options?: WriteOptions<T>) => Promise<T>;
  /** Grows with every write that was committed, those aside excepted: what was read under the same number still holds. */
  version: () => number;
  /** The same for reads that hang on some scopes alone: changes with the writes that outdate one of them, or everything. */
  versionFor: (scopes: readonly string[]) => string;
  /** Resolves when everything queued so far is done. */
  drained: () => Promise<void>;
}>;

/** Who is told how long writes wait, and how they end. */
export type WriteTimes = Readonly<{
  waiting: (n: number) => void;
  began: (waitedMs: number) => void;
  ended: (outcome: 'done' | 'refused') => void;
}>;

/**
 * One writer at a time. SQLite has one write lock; without the queue the waiting transactions occupy the threads
 * that the lock's holder needs to finish.
 */
export function createWriteQueue(sequelize: Sequelize, times?: WriteTimes): WriteQueue {
  let waiting = 0;
  let last: Promise<unknown> = Promise.resolve();
  let version = 0;
  let everything = 0;
  const scoped = new Map<string, number>();
  const outdate = (scopes: readonly string[] | undefined) => {
    if (scopes?.length === 0) return;
    version++;
    if (!scopes) everything++;
    for (const scope of scopes ?? []) scoped.set(scope, version);
  };
  return {
    version: () => version,
    versionFor: (scopes) => `${everything} ${Math.max(0, ...scopes.map((scope) => scoped.get(scope) ?? 0))}`,
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
  };
}
