import type { Sequelize } from 'sequelize';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run, upsertRows } from '../statements';
import type { WriteQueue } from '../writeQueue';

/** How often something was tried since a moment. */
export type Tries = Readonly<{ count: number; sinceMs: number }>;

/** Something that is tried: at most so often within so many milliseconds of the first. */
export type Asked = Readonly<{ key: string; most: number; within: number }>;

/** Where tries are counted. Each call is whole: of many in the same moment no more pass than may. */
export type TryCounts = Readonly<{
  read: (key: string) => Promise<Tries | undefined>;
  /** Counts each of them once more and answers true; where one has been tried too often, counts none and answers false. */
  take: (asked: readonly Asked[], nowMs: number) => Promise<boolean>;
  /** Counts each of them once less. */
  giveBack: (keys: readonly string[]) => Promise<void>;
  /** Forgets how often something was tried. */
  clear: (key: string) => Promise<void>;
  /** Writes down what is in memory alone, and forgets what began before. */
  keep: (beforeMs: number) => Promise<void>;
  /** How many are in memory. */
  inMemory: () => number;
}>;

/** More than a school has people and devices; beyond it the oldest are forgotten. */
const MOST_KEPT = 50_000;

export async function triesSince(reader: Reader, sinceMs: number): Promise<Map<string, Tries>> {
  const rows = await select<{ id: string; count: number; since: number }>(
    reader,
    'SELECT * FROM tries WHERE since > :sinceMs',
    { sinceMs },
  );
  return new Map(rows.map((row) => [row.id, { count: row.count, sinceMs: row.since }]));
}

/** For one process: in memory, written down every few seconds. `known` is what was tried before it began. */
export function triesInMemory(queue: WriteQueue, known: Map<string, Tries>): TryCounts {
  const unwritten = new Set<string>();
  const put = (key: string, tries: Tries) => {
    // The order of the map is that of use: the longest unused goes first.
    known.delete(key);
    known.set(key, tries);
    unwritten.add(key);
    for (const oldest of known.keys()) {
      if (known.size <= MOST_KEPT) break;
      known.delete(oldest);
    }
  };
  const holding = ({ key, within }: Asked, nowMs: number): Tries | undefined => {
    const tries = known.get(key);
    return tries && nowMs - tries.sinceMs < within ? tries : undefined;
  };
  return {
    read: (key) => Promise.resolve(known.get(key)),
    take: (asked, nowMs) => {
      if (asked.some((one) => (holding(one, nowMs)?.count ?? 0) >= one.most)) return Promise.resolve(false);
      for (const one of asked) {
        const { count, sinceMs } = holding(one, nowMs) ?? { count: 0, sinceMs: nowMs };
        put(one.key, { count: count + 1, sinceMs });
      }
      return Promise.resolve(true);
    },
    giveBack: (keys) => {
      for (const key of keys) {
        const tries = known.get(key);
        if (tries) put(key, { ...tries, count: Math.max(0, tries.count - 1) });
      }
      return Promise.resolve();
    },
    clear: (key) => {
      const tries = known.get(key);
      if (tries) put(key, { ...tries, count: 0 });
      return Promise.resolve();
    },
    keep: async (beforeMs) => {
      if (unwritten.size === 0) return;
      const rows = [...unwritten].flatMap((id) => {
        const tries = known.get(id);
        return tries ? [{ id, count: tries.count, since: tries.sinceMs }] : [];
      });
      unwritten.clear();
      await queue.write(
        async (writer) => {
          await upsertRows(writer, 'tries', { rows, key: ['id'], values: ['count', 'since'] });
          await forgetBefore(writer, beforeMs);
        },
        { aside: true },
      );
    },
    inMemory: () => known.size,
  };
}

const forgetBefore = (writer: Writer, beforeMs: number) =>
  run(writer, 'DELETE FROM tries WHERE since <= :beforeMs', { beforeMs });

class TooOften extends Error {}

/** For several processes: in the database, one statement for each. */
export function storedTries(sequelize: Sequelize, queue: WriteQueue): TryCounts {
  const aside = { aside: true, locks: [] } as const;
  const takeOne = async (writer: Writer, { key, most, within }: Asked, nowMs: number) => {
    const counted = await select(
      writer,
      `INSERT INTO tries (id, count, since) VALUES (:key, 1, :nowMs)
       ON CONFLICT (id) DO UPDATE SET
         count = CASE WHEN tries.since <= :beforeMs THEN 1 ELSE tries.count + 1 END,
         since = CASE WHEN tries.since <= :beforeMs THEN :nowMs ELSE tries.since END
       WHERE tries.since <= :beforeMs OR tries.count < :most
       RETURNING count`,
      { key, most, nowMs, beforeMs: nowMs - within },
    );
    if (counted.length === 0) throw new TooOften();
  };
  return {
    read: async (key) => {
      const [row] = await select<{ count: number; since: number }>(
        { sequelize },
        'SELECT count, since FROM tries WHERE id = :key',
        { key },
      );
      return row && { count: row.count, sinceMs: row.since };
    },
    take: (asked, nowMs) =>
      queue
        .write(async (writer) => {
          // In one order: two who are counted for the same do not wait for each other.
          for (const one of [...asked].sort((a, b) => (a.key < b.key ? -1 : 1)))
            await takeOne(writer, one, nowMs);
          return true;
        }, aside)
        .catch((error: unknown) => {
          if (error instanceof TooOften) return false;
          throw error;
        }),
    giveBack: (keys) =>
      queue.write(async (writer) => {
        for (const key of [...keys].sort())
          await run(writer, 'UPDATE tries SET count = GREATEST(count - 1, 0) WHERE id = :key', { key });
      }, aside),
    clear: (key) =>
      queue.write((writer) => run(writer, 'UPDATE tries SET count = 0 WHERE id = :key', { key }), aside),
    keep: (beforeMs) => queue.write((writer) => forgetBefore(writer, beforeMs), aside),
    inMemory: () => 0,
  };
}
