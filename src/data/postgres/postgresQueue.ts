import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Sequelize } from 'sequelize';
import { createAdmission } from './admission';
import { isOutdatedStatement } from '../asking/ask';
import { announce, lockFor } from './commits';
import { CHANGES_AT_ONCE, endOf } from '../database';
import { IN_EACH_OTHERS_WAY } from '../dialect';
import { listen } from './listening';
import { isLostConnection } from '../lostConnection';
import { createVersions } from '../versions';
import type { Writer } from '../reader';
import type { WriteOptions, WriteQueue, WriteTimes } from '../writeQueue';

/** So often a change is tried that others were in the way of, or whose connection was lost before it was to be committed. */
const ATTEMPTS = 4;
const PAUSE_MS = 50;

const codeOf = (error: unknown): string =>
  (error as { original?: { code?: string } } | undefined)?.original?.code ?? '';

/**
 * Changes of one process among several, on PostgreSQL. Those that are in each other's way wait for each other: in this process
 * without a connection, for other processes by the database's own locks. Each tells the others when it is committed.
 */
export async function createPostgresQueue(
  sequelize: Sequelize,
  url: string,
  times?: WriteTimes,
): Promise<WriteQueue> {
  const by = randomUUID();
  const admission = createAdmission(CHANGES_AT_ONCE);
  const versions = createVersions();
  const listening = await listen(url, {
    heard: ({ number, by: other, scopes }) => {
      if (other !== by) versions.outdate(number, scopes);
    },
    begins: (number) => {
      versions.outdate(number, undefined);
      versions.setKnowing(true);
    },
    lost: () => versions.setKnowing(false),
  });
  const under = new Set<Promise<unknown>>();
  let waiting = 0;

  type Done<T> = Readonly<{
    result: T;
    commit?: Readonly<{ number: number; scopes: readonly string[] | undefined }>;
  }>;

  /** One attempt. `reached` is called when nothing is left to do but to commit. */
  const attempt = <T>(
    work: (writer: Writer) => Promise<T>,
    { aside = false, first, outdates, locks }: WriteOptions<T>,
    reached: () => void,
  ): Promise<Done<T>> =>
    sequelize.transaction(async (transaction) => {
      const writer = { sequelize, transaction };
      try {
        await lockFor(writer, locks);
        await first?.();
        const result = await work(writer);
        const scopes = outdates?.(result);
        const isTold = !aside && scopes?.length !== 0;
        const commit = isTold ? { number: await announce(writer, by, scopes), scopes } : undefined;
        reached();
        return { result, commit };
      } finally {
        await endOf(transaction);
      }
    });

  const persist = async <T>(work: (writer: Writer) => Promise<T>, options: WriteOptions<T>): Promise<T> => {
    for (let tried = 1; ; tried++) {
      let committing = false;
      try {
        const { result, commit } = await attempt(work, options, () => (committing = true));
        if (commit) versions.outdate(commit.number, commit.scopes);
        return result;
      } catch (error) {
        // What may have been committed is not done again: whoever asked has to look.
        const again =
          IN_EACH_OTHERS_WAY.has(codeOf(error)) ||
          (!committing && (isLostConnection(error) || isOutdatedStatement(error)));
        if (!again || tried >= ATTEMPTS) throw error;
        await sleep(PAUSE_MS * tried * (0.5 + Math.random()));
      }
    }
  };

  return {
    version: versions.version,
    versionFor: versions.versionFor,
    write(work, options = {}) {
      const askedAt = performance.now();
      times?.waiting(++waiting);
      const run = admission.enter(options.locks).then(async (leave) => {
        times?.waiting(--waiting);
        times?.began(performance.now() - askedAt);
        try {
          return await persist(work, options);
        } finally {
          leave();
        }
      });
      const settled = run.then(
        () => times?.ended('done'),
        () => times?.ended('refused'),
      );
      under.add(settled);
      void settled.then(() => under.delete(settled));
      return run;
    },
    isBusy: () => under.size > 0,
    drained: async () => {
      while (under.size > 0) await Promise.all(under);
    },
    close: () => listening.close(),
  };
}
