import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { readNotice, writeNotice } from './readNotice';
import type { Notice } from './sheet';

const minutes = fc.integer({ min: 0, max: 99_999 }).map((n): Notice => ({ kind: 'minutes', minutes: n }));
const dayBefore = fc
  .record({ days: fc.integer({ min: 0, max: 99 }), hour: fc.nat(23), minute: fc.nat(59) })
  .map(({ days, hour, minute }): Notice => ({ kind: 'day', days, at: new Temporal.PlainTime(hour, minute) }));

test.each([
  [2880, '2 d before'],
  [120, '2 h before'],
  [90, '90 min before'],
  [0, 'until it begins'],
])('%i minutes are typed as %s', (n, typed) =>
  expect(writeNotice({ kind: 'minutes', minutes: n })).toBe(typed),
);

test('a notice that is written is read back as the same', () => {
  fc.assert(
    fc.property(fc.oneof(minutes, dayBefore), (notice) => {
      expect(readNotice(writeNotice(notice))).toEqual(notice);
    }),
  );
});
