import type { Sequelize } from 'sequelize';
import { keptWriter } from './keptWriter';
import type { Writer } from './reader';
import { createVersions } from './versions';

/** `aside`: a write that no plan is read from (a session, a mark that something was shown, a letter that went out). */
export type WriteOptions<T> = Readonly<{
  aside?: boolean;
  /** Whose reads the write outdates, where that is known: nobody's, or those of some scopes; undefined: everybody's. */
  outdates?: (result: T) => readonly string[] | undefined;
  /** Done when it is this write's turn, before it writes; it reads what is committed. It throws to refuse. */
  first?: () => Promise<void>;
  /**
   * What it decides about, where it reads nothing else that a write could change meanwhile: on PostgreSQL writes about other
   * things go on beside it, on SQLite it is a short one, which may share a transaction with others. Nothing: statements that
   * hold by themselves. Absent: it is alone.
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
  /** Whether somebody writes, or waits to. */
  isBusy: () => boolean;
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

/** Acts that may share a transaction, and so one flush to the disk, with those that wait behind them. */
const TOGETHER = 64;

type Waiting = Readonly<{
  isShort: boolean;
  /** Whether it is done at all, now that it is its turn. */
  begins: () => Promise<boolean>;
  work: (writer: Writer) => Promise<void>;
  committed: () => void;
  failed: (error: unknown) => void;
}>;

/**
 * One writer at a time, for SQLite, which has one write lock. Short acts that wait behind each other share a transaction: the
 * disk is flushed once for all of them, and they are answered then. Each can be taken back by itself; when the disk is full, all are.
 */
export function createWriteQueue(sequelize: Sequelize, times?: WriteTimes): WriteQueue {
  const waiting: Waiting[] = [];
  const writer = keptWriter(sequelize);
  const versions = createVersions();
  const outdate = (scopes: readonly string[] | undefined) => {
    if (scopes?.length !== 0) versions.outdate(versions.version() + 1, scopes);
  };

  /** The next act that is still done when it is its turn; `isShort`: only if it is a short one. */
  async function next({ isShort }: Readonly<{ isShort: boolean }>): Promise<Waiting | undefined> {
    while (waiting[0] && (waiting[0].isShort || !isShort)) {
      const one = waiting.shift()!;
      if (await one.begins()) return one;
    }
    return undefined;
  }

  /** One transaction: an act, and the short ones behind it if it is short itself. */
  async function serveFrom(first: Waiting): Promise<void> {
    const members = [first];
    // What one is told rests on what those before it did: nobody is told anything before all of it is committed.
    const answers: (() => void)[] = [];
    try {
      await writer.begin();
      await writer.act(first.work);
      answers.push(first.committed);
      while (first.isShort && members.length < TOGETHER) {
        const one = await next({ isShort: true });
        if (!one) break;
        members.push(one);
        const failure = await writer.within(one.work);
        answers.push(failure ? () => one.failed(failure.error) : one.committed);
      }
      await writer.commit();
    } catch (error) {
      await writer.rollback();
      for (const one of members) one.failed(error);
      return;
    }
    for (const answer of answers) answer();
  }

  let serving: Promise<void> | undefined;
  async function serve(): Promise<void> {
    while (waiting.length > 0) {
      const one = await next({ isShort: false });
      if (one) await serveFrom(one);
    }
    serving = undefined;
  }

  return {
    version: versions.version,
    versionFor: versions.versionFor,
    write<T>(work: (writer: Writer) => Promise<T>, options: WriteOptions<T> = {}): Promise<T> {
      const { aside = false, first, outdates, locks } = options;
      const askedAt = performance.now();
      return new Promise<T>((resolve, reject) => {
        let result: T;
        const failed = (error: unknown) => {
          times?.ended('refused');
          reject(error as Error);
        };
        waiting.push({
          isShort: locks !== undefined,
          async begins() {
            times?.waiting(waiting.length);
            times?.began(performance.now() - askedAt);
            try {
              await first?.();
              return true;
            } catch (error) {
              failed(error);
              return false;
            }
          },
          work: async (writer) => void (result = await work(writer)),
          committed() {
            times?.ended('done');
            if (!aside) outdate(outdates?.(result));
            resolve(result);
          },
          failed,
        });
        times?.waiting(waiting.length);
        serving ??= serve();
      });
    },
    isBusy: () => serving !== undefined,
    drained: async () => {
      while (serving) await serving;
    },
    close: () => Promise.resolve(),
  };
}
