import fc from 'fast-check';
import { expect, test } from 'vitest';
import { TZID, day, instant } from '../../../tests/support/plans';
import type { Interval } from '../time/interval';
import { toInstant } from '../time/zone';
import { requireZone } from '../time/zoneData';
import { cutStretch } from './cutStretch';
import { stretchesOf } from './stretchesOf';

const zone = requireZone(TZID);
const slots = (times: readonly Interval[]) => times.map((interval) => ({ interval }));

test('a morning and an afternoon are two stretches', () => {
  const hours = [9, 10, 14, 15].map((hour) => `2026-10-15T${String(hour).padStart(2, '0')}`);
  const times = hours.map((hour) => ({ start: instant(`${hour}:00`), end: instant(`${hour}:50`) }));
  const { stretches, length, gap } = stretchesOf(slots(times), zone);
  expect({ length, gap }).toEqual({ length: 50, gap: 10 });
  expect(stretches.map(({ start, end }) => `${start} ${end}`)).toEqual([
    '09:00:00 10:50:00',
    '14:00:00 15:50:00',
  ]);
});

const stretch = fc.record({
  // The clocks of the zone change on 1 November.
  days: fc.integer({ min: 0, max: 40 }),
  start: fc.integer({ min: 8 * 60, max: 14 * 60 }),
  minutes: fc.integer({ min: 60, max: 300 }),
});

test('times cut from a stretch a day are cut again from what they are read as', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(stretch, { selector: (s) => s.days, minLength: 1, maxLength: 6 }),
      fc.integer({ min: 5, max: 60 }),
      fc.integer({ min: 0, max: 30 }),
      (offered, length, gap) => {
        const times = [...offered]
          .sort((a, b) => a.days - b.days)
          .flatMap(({ days, start, minutes }) => {
            const begin = toInstant(
              zone,
              day('2026-10-10')
                .add({ days })
                .toPlainDateTime({ hour: Math.floor(start / 60), minute: start % 60 }),
            );
            return cutStretch({ start: begin, end: begin.add({ minutes }) }, { length, gap }).times;
          });
        const read = stretchesOf(slots(times), zone);
        const again = read.stretches.flatMap(
          ({ date, start, end }) =>
            cutStretch(
              {
                start: toInstant(zone, date.toPlainDateTime(start)),
                end: toInstant(zone, date.toPlainDateTime(end)),
              },
              read,
            ).times,
        );
        expect(again.map(({ start, end }) => `${start} ${end}`)).toEqual(
          times.map(({ start, end }) => `${start} ${end}`),
        );
      },
    ),
  );
});
