import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { absencesOf, isHeldBack } from './keeping';

const HOUR = 3_600_000;

describe('so many may disappear at once', () => {
  test.each([
    [30, 0, false],
    [30, 7, false],
    [30, 8, true],
    [4, 3, false],
    [4, 4, true],
    [3, 3, false],
  ])('of %i, %i', (known, gone, held) => expect(isHeldBack({ known, gone })).toBe(held));
});

test('whoever is missing stays for 48 hours, counted from when they were missing first', () => {
  const first = absencesOf(new Map(), ['ann', 'bea'], 0);
  expect(first).toEqual({ since: new Map([['ann', 0], ['bea', 0]]), off: [] }); // prettier-ignore
  // Bea is there again, and missing once more the day after.
  const second = absencesOf(first.since, ['ann'], 24 * HOUR);
  const third = absencesOf(second.since, ['ann', 'bea'], 48 * HOUR);
  expect(third).toEqual({ since: new Map([['bea', 48 * HOUR]]), off: ['ann'] });
});

test('nobody goes before they were missing in every reading of 48 hours', () => {
  const readings = fc.array(fc.record({ hours: fc.integer({ min: 1, max: 30 }), gone: fc.subarray(['a', 'b', 'c']) })); // prettier-ignore
  fc.assert(
    fc.property(readings, (all) => {
      let since: ReadonlyMap<string, number> = new Map();
      let nowMs = 0;
      const missing = new Map<string, number>();
      for (const { hours, gone } of all) {
        nowMs += hours * HOUR;
        const found = absencesOf(since, gone, nowMs);
        for (const person of ['a', 'b', 'c'])
          if (!gone.includes(person)) missing.delete(person);
          else if (!missing.has(person)) missing.set(person, nowMs);
        for (const person of gone)
          expect(found.off.includes(person)).toBe(nowMs - missing.get(person)! >= 48 * HOUR);
        // Whoever was taken off is on the roster no more: a list that names them again begins anew.
        for (const person of found.off) missing.delete(person);
        since = found.since;
      }
    }),
  );
});
