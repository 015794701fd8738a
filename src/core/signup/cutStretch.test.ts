import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { toInstant, toWall } from '../time/zone';
import { requireZone } from '../time/zoneData';
import { overlaps } from '../time/interval';
import { cutStretch } from './cutStretch';

const halifax = requireZone('America/Halifax');
function stretch(day: string, from: string, to: string) {
  const at = (time: string) => toInstant(halifax, Temporal.PlainDateTime.from(`${day}T${time}`));
  return { start: at(from), end: at(to) };
}
const clock = (instant: Temporal.Instant) => toWall(halifax, instant).toString().slice(11, 16);

// Common practice, no published source.
describe('a stretch cut into times', () => {
  test.each([
    ['10:00-16:00 in 30s', '10:00', '16:00', 30, 0, 12, '16:00', 0],
    ['10:00-13:00 in 20s', '10:00', '13:00', 20, 0, 9, '13:00', 0],
    ['12:00-14:00 in 25 + 5', '12:00', '14:00', 25, 5, 4, '13:55', 5],
    ['one hour in 25s', '09:00', '10:00', 25, 0, 2, '09:50', 10],
  ])('%s', (_, from, to, length, gap, count, lastEnd, remainder) => {
    const cut = cutStretch(stretch('2026-10-15', from, to), { length, gap });
    expect(cut.times).toHaveLength(count);
    expect(clock(cut.times.at(-1)!.end)).toBe(lastEnd);
    expect(cut.remainderMinutes).toBe(remainder);
  });

  test('a stretch shorter than one time gives none, and all of it remains', () => {
    const cut = cutStretch(stretch('2026-10-15', '12:00', '12:20'), { length: 30, gap: 5 });
    expect(cut).toEqual({ times: [], remainderMinutes: 20 });
  });

  test('over the repeated hour there is an hour more, over the skipped one an hour less', () => {
    expect(cutStretch(stretch('2026-11-01', '00:00', '04:00'), { length: 30, gap: 0 }).times).toHaveLength(
      10,
    );
    expect(cutStretch(stretch('2027-03-14', '00:00', '04:00'), { length: 30, gap: 0 }).times).toHaveLength(6);
  });

  test('lengths and gaps that make no sense are refused', () => {
    const hour = stretch('2026-10-15', '09:00', '10:00');
    expect(() => cutStretch(hour, { length: 0, gap: 0 })).toThrow(RangeError);
    expect(() => cutStretch(hour, { length: 10, gap: -1 })).toThrow(RangeError);
  });
});

test('times never overlap, never leave the stretch, and no further time would fit', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1440 }),
      fc.integer({ min: 1, max: 300 }),
      fc.integer({ min: 0, max: 60 }),
      (total, length, gap) => {
        const start = Temporal.Instant.from('2026-11-01T02:00Z');
        const whole = { start, end: start.add({ minutes: total }) };
        const { times, remainderMinutes } = cutStretch(whole, { length, gap });
        for (const [i, time] of times.entries()) {
          expect(Temporal.Instant.compare(time.start, whole.start)).toBeGreaterThanOrEqual(0);
          expect(Temporal.Instant.compare(time.end, whole.end)).toBeLessThanOrEqual(0);
          const next = times[i + 1];
          if (next) {
            expect(overlaps(time, next)).toBe(false);
            expect(time.end.until(next.start).total('minutes')).toBe(gap);
          }
        }
        expect(remainderMinutes).toBeLessThan(length + (times.length > 0 ? gap : 0));
      },
    ),
  );
});
