import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { NOW, day, instant, time } from '../../../tests/support/plans';
import { overlaps } from '../time/interval';
import { toInstant } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { Offering } from './offeredTimes';
import { offeredTimes, withoutBreaks } from './offeredTimes';

const zone = requireZone('America/Halifax');
const LUNCH = { date: day('2026-10-15'), start: time('12:00'), end: time('14:00') };
const offering = (changes: Partial<Offering> = {}): Offering => ({ repeat: 'dates', stretches: [LUNCH], length: 25, gap: 5, breaks: [], leftOut: [], allTheSame: [], ...changes }); // prettier-ignore
const reading = { name: 'Reading week', start: day('2026-11-09'), end: day('2026-11-14') };
const lecture = { title: 'Lines', start: instant('2026-10-15T13:40'), end: instant('2026-10-15T15:00') };
function offered(
  changes: Partial<Offering>,
  { closures = [reading], busy = [] as (typeof lecture)[], now = NOW } = {},
) {
  const found = offeredTimes(offering(changes), { zone, closures, busy, now });
  if (!found.ok) return found.reason;
  return { times: found.times.map((t) => t.start), skipped: found.skipped.map((s) => `${s.start} ${s.why} ${s.name}`.trim()), rest: found.remainderMinutes, all: found.stretchMinutes }; // prettier-ignore
}
const four = ['12:00', '12:30', '13:00', '13:30'].map((clock) => `2026-10-15T${clock}`);

describe('what is offered', () => {
  test('once', () => expect(offered({})).toEqual({ times: four, skipped: [], rest: 5, all: 120 }));
  test('every week to a day, over a closure, which is named', () => {
    const all = offered({ repeat: 'weekly', until: day('2026-11-19') });
    expect(all).toMatchObject({ rest: 25, all: 600 });
    if (typeof all === 'string') throw new Error(all);
    expect(all.times.map((t) => t.slice(0, 10)).filter((d, i, list) => d !== list[i - 1])).toEqual(['2026-10-15', '2026-10-22', '2026-10-29', '2026-11-05', '2026-11-19']); // prettier-ignore
    expect(all.skipped).toHaveLength(4);
    expect(all.skipped[0]).toBe('2026-11-12T12:00 closure Reading week');
  });
  test('what clashes is left out and named, unless it is offered all the same', () => {
    expect(offered({}, { busy: [lecture] })).toMatchObject({ times: four.slice(0, 3), skipped: ['2026-10-15T13:30 clash Lines'] }); // prettier-ignore
    expect(offered({ allTheSame: [four[3]!] }, { busy: [lecture] })).toMatchObject({
      times: four,
      skipped: [],
    });
  });
  test('what is left out one by one', () => expect(offered({ leftOut: [four[1]!] })).toMatchObject({ times: [four[0], four[2], four[3]], skipped: ['2026-10-15T12:30 leftOut'] })); // prettier-ignore
  test('only times still to come', () => expect(offered({}, { now: instant('2026-10-15T12:30') })).toMatchObject({ times: four.slice(2) })); // prettier-ignore
  test('the whole stretch as one time', () => expect(offered({ length: 'whole' })).toEqual({ times: [four[0]], skipped: [], rest: 0, all: 120 })); // prettier-ignore
  test('breaks inside', () => expect(offered({ length: 30, gap: 0, breaks: [{ start: time('12:45'), end: time('13:15') }] })).toMatchObject({ times: ['2026-10-15T12:00', '2026-10-15T13:15'], rest: 30, all: 90 })); // prettier-ignore
  test('a day that is closed from a time on', () => expect(offered({}, { closures: [{ name: 'Storm', start: day('2026-10-15'), end: day('2026-10-16'), closesAt: time('13:00') } as typeof reading] })).toMatchObject({ times: four.slice(0, 2) })); // prettier-ignore
  test('stretches that overlap are refused', () => expect(offered({ stretches: [LUNCH, { ...LUNCH, start: time('13:30') }] })).toBe('stretchesOverlap')); // prettier-ignore
  test('to midnight', () => expect(offered({ stretches: [{ ...LUNCH, start: time('23:00'), end: time('00:00') }], length: 30, gap: 0 })).toMatchObject({ times: ['2026-10-15T23:00', '2026-10-15T23:30'] })); // prettier-ignore
});

test.each([
  [[['12:30', '13:00']], ['12:00-12:30', '13:00-14:00']],
  [[['11:00', '12:30']], ['12:30-14:00']],
  [[['13:30', '15:00']], ['12:00-13:30']],
  [[['11:00', '15:00']], []],
  [[['14:00', '15:00']], ['12:00-14:00']],
  [[['13:00', '13:10'], ['12:10', '12:20']], ['12:00-12:10', '12:20-13:00', '13:10-14:00']],
])('a stretch from 12 to 14 with breaks %j', (breaks, parts) =>
  expect(withoutBreaks(LUNCH, breaks.map(([start, end]) => ({ start: time(start!), end: time(end!) }))).map((p) => `${p.start.toString().slice(0, 5)}-${p.end.toString().slice(0, 5)}`)).toEqual(parts),
); // prettier-ignore

test('times never overlap, never leave their stretch, never touch a closure or what clashes, even when clocks change', () => {
  const clock = fc.integer({ min: 0, max: 95 }).map((n) => Temporal.PlainTime.from({ hour: Math.floor(n / 4), minute: (n % 4) * 15 })); // prettier-ignore
  const stretch = fc
    .record({ day: fc.integer({ min: 0, max: 40 }), start: clock, end: clock })
    .filter(({ start, end }) => Temporal.PlainTime.compare(start, end) < 0)
    .map(({ day: n, ...range }) => ({ date: day('2026-10-14').add({ days: n }), ...range }));
  const given = fc.record({
    stretches: fc.array(stretch, { minLength: 1, maxLength: 5 }),
    length: fc.integer({ min: 5, max: 120 }),
    gap: fc.integer({ min: 0, max: 30 }),
    busyAt: fc.array(fc.integer({ min: 0, max: 40 * 24 }), { maxLength: 6 }),
  });
  fc.assert(
    fc.property(given, ({ stretches, length, gap, busyAt }) => {
      const busy = busyAt.map((hours) => ({
        title: 'x',
        start: NOW.add({ hours }),
        end: NOW.add({ hours: hours + 1 }),
      }));
      const found = offeredTimes(offering({ stretches, length, gap }), {
        zone,
        closures: [reading],
        busy,
        now: NOW,
      });
      if (!found.ok) return;
      found.times.forEach(({ interval, start }, i) => {
        const next = found.times[i + 1];
        if (next) expect(overlaps(interval, next.interval)).toBe(false);
        const on = start.slice(0, 10);
        expect(on < '2026-11-09' || on >= '2026-11-14').toBe(true);
        expect(busy.some((other) => overlaps(other, interval))).toBe(false);
        // In the repeated hour a wall time comes twice: instants tell.
        const within = stretches.some(
          (s) =>
            Temporal.Instant.compare(toInstant(zone, s.date.toPlainDateTime(s.start)), interval.start) <= 0 &&
            Temporal.Instant.compare(interval.end, toInstant(zone, s.date.toPlainDateTime(s.end))) <= 0,
        );
        expect(within).toBe(true);
      });
    }),
  );
});
