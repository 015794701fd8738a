import fc from 'fast-check';
import { expect, test } from 'vitest';
import { inLanes } from './lanes';

const item = (name: string, start: number, end: number) => ({ name, start, end });
const drawn = (items: ReturnType<typeof item>[]) =>
  inLanes(items).map((i) => `${i.name} ${i.lane}/${i.lanes}`);

test('what does not overlap has the whole width; what meets at an end does not overlap', () =>
  expect(drawn([item('a', 9, 10), item('b', 10, 11)])).toEqual(['a 0/1', 'b 0/1']));
test('what hangs together shares its number of lanes, and a lane that is free again is used again', () =>
  expect(drawn([item('a', 9, 12), item('b', 9, 10), item('c', 10, 11), item('d', 12, 13)])).toEqual([
    'a 0/2',
    'b 1/2',
    'c 1/2',
    'd 0/1',
  ]));
test('no two that overlap share a lane, none is lost, and no lane lies outside', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 0, max: 96 }), fc.integer({ min: 1, max: 20 })), { maxLength: 20 }),
      (list) => {
        const laned = inLanes(list.map(([start, length], n) => ({ n, start, end: start + length })));
        expect(laned).toHaveLength(list.length);
        for (const a of laned) {
          expect(a.lane).toBeLessThan(a.lanes);
          for (const b of laned)
            if (a.n < b.n && a.start < b.end && b.start < a.end) expect(a.lane).not.toBe(b.lane);
        }
      },
    ),
  ));
