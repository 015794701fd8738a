import { expect, test } from 'vitest';
import { keptView, minuteOf, numberOf } from './keptView';

/** Counts how often something is made. */
function counted() {
  let times = 0;
  return { make: () => ({ times: ++times }), times: () => times };
}

test('a view is made once for what it is made of and what the key says', () => {
  const [plan, other] = [{}, {}];
  const { make, times } = counted();
  const first = keptView(plan, ['term', '2026-10-13', { weeks: 'six' }], make);
  expect(keptView(plan, ['term', '2026-10-13', { weeks: 'six' }], make)).toBe(first);
  expect(times()).toBe(1);
  for (const [of, key] of [
    [other, ['term', '2026-10-13', { weeks: 'six' }]],
    [plan, ['term', '2026-10-14', { weeks: 'six' }]],
    [plan, ['term', '2026-10-13', { weeks: 'one' }]],
    [plan, ['week', '2026-10-13', { weeks: 'six' }]],
  ] as const)
    expect(keptView(of, key, make)).not.toBe(first);
  expect(times()).toBe(5);
});

test('of one plan a few views are kept, the one used longest ago goes first, and nothing is kept that failed', () => {
  const plan = {};
  const { make, times } = counted();
  for (const n of [1, 2, 3, 4, 5, 1, 6]) keptView(plan, [n], make);
  expect(times()).toBe(6);
  keptView(plan, [1], make);
  expect(times()).toBe(6);
  keptView(plan, [2], make);
  expect(times()).toBe(7);
  const failing = () =>
    keptView(plan, ['x'], () => {
      throw new Error('no');
    });
  expect(failing).toThrow('no');
  expect(keptView(plan, ['x'], () => 'made')).toBe('made');
});

test('what is kept has a number of its own as long as it is the same one; what is empty has none', () => {
  const [changes, same] = [[1], [1]];
  expect(numberOf(changes)).toBe(numberOf(changes));
  expect(numberOf(changes)).not.toBe(numberOf(same));
  expect(numberOf([])).toBe(numberOf(new Set()));
  expect(numberOf(new Set([1]))).not.toBe(numberOf([]));
  expect(minuteOf({ epochMilliseconds: 60_000 })).toBe(minuteOf({ epochMilliseconds: 119_999 }));
  expect(minuteOf({ epochMilliseconds: 120_000 })).not.toBe(minuteOf({ epochMilliseconds: 119_999 }));
});
