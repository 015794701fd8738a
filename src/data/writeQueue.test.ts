import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Sequelize } from 'sequelize';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { openDatabase } from './database';
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
