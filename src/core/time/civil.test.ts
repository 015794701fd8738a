import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { dayMs, daysFromEpoch, wallFromMs } from './civil';

const byTemporal = (ms: number) =>
  Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO('UTC').toPlainDateTime();

test('every moment of years far and near is the one that Temporal gives', () => {
  const farthest = Date.UTC(9999, 11, 31);
  fc.assert(
    fc.property(fc.integer({ min: -farthest, max: farthest }), (ms) => {
      const wall = wallFromMs(ms);
      expect(wall.toString()).toBe(byTemporal(ms).toString());
      expect(dayMs(wall.toPlainDate())).toBe(Math.floor(ms / 86_400_000) * 86_400_000);
    }),
    { numRuns: 2000 },
  );
});

test.each(['1600-02-29', '1900-02-28', '1970-01-01', '2000-02-29', '2026-12-31', '2100-03-01', '0000-03-01', '-0001-12-31'])(
  'the ends of %s',
  (text) => {
    const { year, month, day } = Temporal.PlainDate.from(text.replace('-0001', '-000001'));
    const first = daysFromEpoch(year, month, day) * 86_400_000;
    for (const ms of [first, first + 86_399_999]) expect(wallFromMs(ms).toString()).toBe(byTemporal(ms).toString());
  },
); // prettier-ignore
