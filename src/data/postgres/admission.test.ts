import { expect, test } from 'vitest';
import fc from 'fast-check';
import type { Locks } from './admission';
import { createAdmission } from './admission';

const turn = () => new Promise((resolve) => setTimeout(resolve, 0));

test('writes about different things go on at once, about the same one after the other, about everything alone', async () => {
  const { enter } = createAdmission(4);
  const begun: string[] = [];
  const begin = (name: string, locks: Locks) =>
    enter(locks).then((leave) => {
      begun.push(name);
      return leave;
    });
  const a = begin('a', ['sheet 1']);
  const b = begin('b', ['sheet 2', 'person 7']);
  const c = begin('c', ['person 7']);
  const all = begin('all', undefined);
  const d = begin('d', ['sheet 3']);
  const free = begin('free', []);
  await turn();
  // Nobody passes the one who waits to be alone, but for whom nobody has to wait.
  expect(begun).toEqual(['a', 'b', 'free']);
  (await b)();
  await turn();
  expect(begun).toEqual(['a', 'b', 'free', 'c']);
  (await a)();
  (await c)();
  await turn();
  expect(begun).toEqual(['a', 'b', 'free', 'c', 'all']);
  (await all)();
  await turn();
  expect(begun.at(-1)).toBe('d');
  (await d)();
  (await free)();
});

test('everybody comes in, never more at once than may, never two about the same, in whatever order they come and go', async () => {
  const locks = fc.oneof(
    fc.constant(undefined),
    fc.subarray(['course 1', 'course 2', 'person 1', 'sheet 1'], { minLength: 0 }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(fc.record({ locks, turns: fc.nat(3) }), { maxLength: 25 }), async (asked) => {
      const { enter } = createAdmission(3);
      const inside: Locks[] = [];
      let through = 0;
      await Promise.all(
        asked.map(async ({ locks: own, turns }) => {
          const leave = await enter(own);
          const inTheWay = inside.filter(
            (other) =>
              own?.length !== 0 &&
              other?.length !== 0 &&
              (!own || !other || own.some((one) => other.includes(one))),
          );
          expect(inTheWay).toEqual([]);
          inside.push(own);
          expect(inside.length).toBeLessThanOrEqual(3);
          for (let i = 0; i < turns; i++) await turn();
          inside.splice(inside.indexOf(own), 1);
          through++;
          leave();
        }),
      );
      expect(through).toBe(asked.length);
    }),
    { numRuns: 60 },
  );
});
