import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Sequelize } from 'sequelize';
import { UniqueConstraintError } from 'sequelize';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { openDatabase, select } from './database';
import { run } from './statements';
import type { Writer } from './reader';
import type { WriteQueue } from './writeQueue';
import { createWriteQueue } from './writeQueue';

let folder: string;
let sequelize: Sequelize;
let queue: WriteQueue;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-queue-'));
  sequelize = openDatabase(folder);
  queue = createWriteQueue(sequelize);
});
afterEach(async () => {
  await sequelize.close();
  rmSync(folder, { recursive: true, force: true });
});

const nothing = () => Promise.resolve();
/** Which of two courses' reads a write outdates, and whether the version of everything grew. */
async function outdated(write: () => Promise<unknown>): Promise<string> {
  const before = ['a', 'b'].map((course) => queue.versionFor([course]));
  const version = queue.version();
  await write();
  const changed = ['a', 'b'].filter((course, i) => queue.versionFor([course]) !== before[i]);
  return `${changed.join('') || 'none'}${queue.version() > version ? ', grown' : ''}`;
}

test('a write outdates what it says, everything when it says nothing, and nothing when it stands aside', async () => {
  expect(await outdated(() => queue.write(nothing, { outdates: () => ['a'] }))).toBe('a, grown');
  expect(await outdated(() => queue.write(nothing, { outdates: () => ['b', 'c'] }))).toBe('b, grown');
  expect(await outdated(() => queue.write(nothing, { outdates: () => undefined }))).toBe('ab, grown');
  expect(await outdated(() => queue.write(nothing))).toBe('ab, grown');
  expect(await outdated(() => queue.write(nothing, { aside: true, outdates: () => ['a'] }))).toBe('none');
  expect(await outdated(() => queue.write(nothing, { outdates: () => [] }))).toBe('none');
});

test('a read of several scopes is outdated by a write to any of them, and what fails outdates nothing', async () => {
  const before = queue.versionFor(['a', 'b']);
  await queue.write(nothing, { outdates: () => ['c'] });
  expect(queue.versionFor(['a', 'b'])).toBe(before);
  await queue.write(nothing, { outdates: () => ['b'] });
  expect(queue.versionFor(['a', 'b'])).not.toBe(before);
  const failing = () => queue.write(() => Promise.reject(new Error('x')), { outdates: () => ['a'] });
  expect(await outdated(() => failing().catch(nothing))).toBe('none');
});

test('one writer at a time, in the order in which they came', async () => {
  const said: string[] = [];
  const writer = (name: string) =>
    queue.write(async () => {
      said.push(`${name} begins`);
      await new Promise((resolve) => setTimeout(resolve, 5));
      said.push(`${name} ends`);
    });
  await Promise.all(['one', 'two', 'three'].map(writer));
  expect(said).toEqual(['one begins', 'one ends', 'two begins', 'two ends', 'three begins', 'three ends']);
});

/** A table to write to, and how many commits another connection has seen since. */
async function withNumbers() {
  await sequelize.query('CREATE TABLE numbers (n INTEGER PRIMARY KEY)');
  const numbers = async () =>
    (await select<{ n: number }>({ sequelize }, 'SELECT n FROM numbers ORDER BY n')).map(({ n }) => n);
  const commits = async () =>
    (await select<{ data_version: number }>({ sequelize }, 'PRAGMA data_version'))[0]!.data_version;
  return { numbers, commits };
}
const add = (n: number) => (writer: Writer) => run(writer, 'INSERT INTO numbers VALUES (:n)', { n });
const SHORT = { locks: [] } as const;

test('short acts that wait behind each other are committed together, each answered when it can be read', async () => {
  const { numbers, commits } = await withNumbers();
  const before = await commits();
  const seen = await Promise.all(
    Array.from({ length: 50 }, (_, i) => queue.write(add(i), SHORT).then(() => numbers())),
  );
  for (const [i, list] of seen.entries()) expect(list).toContain(i);
  expect((await commits()) - before).toBe(1);
});

test('of those who are committed together each is taken back by itself, and sees what those before it wrote', async () => {
  const { numbers } = await withNumbers();
  const outcomes = await Promise.allSettled([
    queue.write(add(1), SHORT),
    queue.write(async (writer) => {
      await add(2)(writer);
      await add(1)(writer);
    }, SHORT),
    queue.write(async (writer) => {
      await add(3)(writer);
      throw new Error('refused');
    }, SHORT),
    queue.write((writer) => select<{ n: number }>(writer, 'SELECT n FROM numbers'), SHORT),
  ]);
  expect(outcomes.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'rejected', 'fulfilled']);
  expect((outcomes[1] as PromiseRejectedResult).reason).toBeInstanceOf(UniqueConstraintError);
  expect((outcomes[3] as PromiseFulfilledResult<unknown>).value).toEqual([{ n: 1 }]);
  expect(await numbers()).toEqual([1]);
});

test('an act that names nothing that it decides about is committed before and after everybody else', async () => {
  const { numbers, commits } = await withNumbers();
  const before = await commits();
  const other = async () => {
    expect(await numbers()).toEqual([1, 2]);
    return Promise.resolve();
  };
  await Promise.all([
    queue.write(add(1), SHORT),
    queue.write(add(2), SHORT),
    queue.write(other),
    queue.write(add(3), SHORT),
  ]);
  expect(await numbers()).toEqual([1, 2, 3]);
  expect((await commits()) - before).toBe(2);
});

test('when the disk is full nobody of those who are committed together is told that it is done', async () => {
  const { numbers } = await withNumbers();
  await sequelize.query('CREATE TABLE texts (text TEXT)');
  await queue.write((writer) => select(writer, 'PRAGMA max_page_count = 40'));
  const big = (writer: Writer) =>
    run(writer, 'INSERT INTO texts VALUES (:text)', { text: 'x'.repeat(400_000) });
  const outcomes = await Promise.allSettled([
    queue.write(add(1), SHORT),
    queue.write(big, SHORT),
    queue.write(add(2), SHORT),
  ]);
  const told = outcomes.flatMap(({ status }, i) => (status === 'fulfilled' ? [[1, 0, 2][i]] : []));
  expect(await numbers()).toEqual(told);
  expect(outcomes[1]!.status).toBe('rejected');
  await queue.write((writer) => select(writer, 'PRAGMA max_page_count = 4000'));
  await queue.write(add(3), SHORT);
  expect(await numbers()).toContain(3);
});

test('what an act asks after it has ended is refused: nothing slips into another’s transaction', async () => {
  const { numbers } = await withNumbers();
  let late: Promise<unknown> = Promise.resolve();
  const failing = queue.write(async (writer) => {
    late = (async () => {
      await select(writer, 'SELECT 1');
      await new Promise((resolve) => setTimeout(resolve, 20));
      await add(1)(writer);
    })();
    late.catch(nothing);
    await add(2)(writer);
    throw new Error('refused');
  });
  await expect(failing).rejects.toThrow('refused');
  await queue.write(async (writer) => {
    await add(3)(writer);
    await expect(late).rejects.toThrow('has ended');
  });
  expect(await numbers()).toEqual([3]);
});
