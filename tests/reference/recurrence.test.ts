import fc from 'fast-check';
import rrulePackage from 'rrule';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { expandSeries, ruleWalls } from '@/core/series/expand';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { zonedWall } from '@/core/time/zonedWall';
import type { WorkedExample } from '../support/workedExamples';
import { EXAMPLES, START } from '../support/workedExamples';

const wall = (text: string) => Temporal.PlainDateTime.from(text);
const all = { from: Temporal.PlainDate.from('1996-01-01'), to: Temporal.PlainDate.from('2010-12-31') };

describe('RFC 5545 section 3.8.5.3', () => {
  test.each(EXAMPLES.map((example) => [...example] as [...WorkedExample]))(
    '%s',
    (_, dtstart, rrule, expected, upTo) => {
      const span = { ...all, to: upTo ? Temporal.PlainDate.from(upTo) : all.to };
      const walls = ruleWalls(wall(dtstart), rrule, span);
      expect(walls.map(String)).toEqual(expected.map((date) => `${date}T09:00:00`));
    },
  );

  test('every Friday the 13th, forever, with the first day excluded', () => {
    const series = {
      rrule: 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13',
      exdates: [zonedWall('1997-09-02T09:00', 'America/New_York')],
      overrides: [],
    };
    const found = expandSeries(zonedWall('1997-09-02T09:00', 'America/New_York'), series, { ...all, to: Temporal.PlainDate.from('2000-12-31') }); // prettier-ignore
    expect(found.map(({ recurrenceId }) => ('wall' in recurrenceId ? recurrenceId.wall.toPlainDate().toString() : ''))).toEqual(
      ['1998-02-13', '1998-03-13', '1998-11-13', '1999-08-13', '2000-10-13'],
    ); // prettier-ignore
  });

  // Sub-daily rules: the core expands them as the RFC (with its errata) says; importing and planning them is refused.
  test.each([
    ['every 3 hours from 9:00 AM to 5:00 PM on a specific day (erratum: UNTIL is 13:00 local)', 'FREQ=HOURLY;INTERVAL=3;UNTIL=19970902T170000', ['09:00', '12:00', '15:00']],
    ['every 15 minutes for 6 occurrences', 'FREQ=MINUTELY;INTERVAL=15;COUNT=6', ['09:00', '09:15', '09:30', '09:45', '10:00', '10:15']],
    ['every hour and a half for 4 occurrences', 'FREQ=MINUTELY;INTERVAL=90;COUNT=4', ['09:00', '10:30', '12:00', '13:30']],
  ])('%s', (_, rrule, expected) =>
    expect(ruleWalls(wall(START), rrule, all).map((w) => w.toPlainTime().toString({ smallestUnit: 'minute' }))).toEqual(expected),
  ); // prettier-ignore

  test.each([
    ['daily, by hour and minute', 'FREQ=DAILY;BYHOUR=9,10,11,12,13,14,15,16;BYMINUTE=0,20,40'],
    ['minutely, by hour', 'FREQ=MINUTELY;INTERVAL=20;BYHOUR=9,10,11,12,13,14,15,16'],
  ])('every 20 minutes from 9:00 AM to 4:40 PM every day: %s', (_, rrule) => {
    const oneDay = { from: Temporal.PlainDate.from('1997-09-02'), to: Temporal.PlainDate.from('1997-09-02') };
    const times = ruleWalls(wall(START), rrule, oneDay).map((w) => w.toPlainTime().toString({ smallestUnit: 'minute' })); // prettier-ignore
    expect(times).toHaveLength(24);
    expect([times[0], times[1], times.at(-1)]).toEqual(['09:00', '09:20', '16:40']);
  });
});

test('a weekly class keeps its wall time over both clock changes', () => {
  const halifax = requireZone('America/Halifax');
  const instants = ruleWalls(wall('2026-10-20T10:00'), 'FREQ=WEEKLY;COUNT=22', all.to.year < 2027 ? { from: Temporal.PlainDate.from('2026-01-01'), to: Temporal.PlainDate.from('2027-12-31') } : all).map((w) => toInstant(halifax, w).toString()); // prettier-ignore
  expect(instants[0]).toBe('2026-10-20T13:00:00Z');
  expect(instants[2]).toBe('2026-11-03T14:00:00Z'); // winter time from 1 November 2026
  expect(instants[20]).toBe('2027-03-09T14:00:00Z');
  expect(instants[21]).toBe('2027-03-16T13:00:00Z'); // summer time from 14 March 2027
});

/** `rrule` in UTC, an engine of its own, over the rules that Pembit writes. */
test('an independent engine finds the same occurrences for every rule that can be planned', () => {
  const rule = fc.record({
    freq: fc.constantFrom('DAILY', 'WEEKLY', 'MONTHLY'),
    interval: fc.integer({ min: 1, max: 5 }),
    days: fc.subarray(['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'], { minLength: 1 }),
    nth: fc.constantFrom('1', '2', '3', '4', '-1'),
    monthly: fc.constantFrom('weekday', 'day'),
    start: fc.integer({ min: 0, max: 720 }),
    count: fc.option(fc.integer({ min: 1, max: 30 })),
  });
  fc.assert(
    fc.property(rule, (given) => {
      const first = Temporal.PlainDateTime.from('2026-01-01T10:00').add({ days: given.start });
      const parts = [`FREQ=${given.freq}`, `INTERVAL=${given.interval}`];
      if (given.freq === 'WEEKLY') parts.push(`BYDAY=${given.days.join(',')}`);
      if (given.freq === 'MONTHLY')
        parts.push(
          given.monthly === 'day' ? `BYMONTHDAY=${first.day}` : `BYDAY=${given.nth}${given.days[0]}`,
        );
      parts.push(given.count ? `COUNT=${given.count}` : 'UNTIL=20291231T235959');
      const rrule = parts.join(';');
      const stamp = first.toString({ smallestUnit: 'second' }).replace(/[-:]/g, '');
      const independent = rrulePackage.rrulestr(`DTSTART:${stamp}Z\nRRULE:${rrule.replace('T235959', 'T235959Z')}`).all(); // prettier-ignore
      // Far enough for the longest: 30 times on the 31st, of which every fourth month has one a year.
      const span = { from: first.toPlainDate(), to: Temporal.PlainDate.from('2100-12-31') };
      const own = ruleWalls(first, rrule, span).map((w) => `${w.toString({ smallestUnit: 'second' })}.000Z`);
      // A DTSTART outside its own rule counts for the core only; planning moves it to the first match before.
      const expected = independent.map((d) => d.toISOString());
      if (expected[0] !== own[0]) return;
      expect(own).toEqual(expected);
    }),
    { numRuns: 300 },
  );
});
