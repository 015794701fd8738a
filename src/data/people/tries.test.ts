import { afterEach, beforeEach, expect, test } from 'vitest';
import { emptySchool } from '../../../tests/support/school';
import type { TryCounts } from './tries';

/** What any store of tries holds to; each kind of database has its own. */
let tries: TryCounts;
let school: Awaited<ReturnType<typeof emptySchool>>;
beforeEach(async () => {
  school = await emptySchool();
  tries = school.pembit.tries;
});
afterEach(() => school.close());

const ten = (key: string) => ({ key, most: 10, within: 1000 });

test('of many in the same moment as many pass as may', async () => {
  const taken = await Promise.all(Array.from({ length: 30 }, () => tries.take([ten('a')], 5)));
  expect(taken.filter(Boolean)).toHaveLength(10);
  expect(await tries.read('a')).toEqual({ count: 10, sinceMs: 5 });
  expect(await tries.read('b')).toBeUndefined();
});

test('after its time a count begins anew', async () => {
  for (let i = 0; i < 10; i++) await tries.take([ten('a')], i);
  expect(await tries.take([ten('a')], 999)).toBe(false);
  expect(await tries.take([ten('a')], 1000)).toBe(true);
  expect(await tries.read('a')).toEqual({ count: 1, sinceMs: 1000 });
});

test('several are counted together or not at all', async () => {
  expect(await tries.take([ten('a'), { key: 'b', most: 1, within: 1000 }], 0)).toBe(true);
  expect(await tries.take([ten('a'), { key: 'b', most: 1, within: 1000 }], 0)).toBe(false);
  expect((await tries.read('a'))?.count).toBe(1);
});

test('what is given back or forgotten counts no more, and never less than nothing', async () => {
  for (let i = 0; i < 3; i++) await tries.take([ten('a')], 0);
  await tries.giveBack(['a', 'nobody']);
  expect((await tries.read('a'))?.count).toBe(2);
  await tries.clear('a');
  await tries.giveBack(['a']);
  expect((await tries.read('a'))?.count).toBe(0);
  expect(await tries.read('nobody')).toBeUndefined();
});
