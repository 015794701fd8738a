import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { NOW, TZID, at, day, event, plan, student } from '../../../tests/support/plans';
import type { EntryId } from '../ids';
import { requireZone } from '../time/zoneData';
import { dayOf } from '../time/zonedWall';
import { overAtMs, touching } from './occurrenceDays';
import { occurrencesOf } from './occurrences';
import { seenPlan } from './seenPlan';

const zone = requireZone(TZID);
type When = Parameters<typeof event>[0] extends infer E ? NonNullable<(E & { when: object })['when']> : never;
const occurrences = (...whens: When[]) =>
  occurrencesOf(
    seenPlan(
      student(),
      plan({ entries: whens.map((when, i) => event({ id: `e${i}` as EntryId, uid: `u${i}`, title: `E${i}`, when: when as never })) }),
      NOW,
    ),
    requireZone,
  ).filter((o) => o.kind === 'event'); // prettier-ignore
const timed = (start: string, end?: string) => ({ kind: 'timed', start: at(start), ...(end ? { end: at(end) } : {}) }) as When; // prettier-ignore
const days = (start: string, end: string) => ({ kind: 'days', start: day(start), end: day(end) }) as When;
const touched = (when: When, ...dates: string[]) => {
  const on = touching(occurrences(when));
  return dates.map((date) => on(day(date)).length);
};

describe('the days that something touches', () => {
  test.each<[string, When, number[]]>([
    ['an hour', timed('2026-10-13T10:00', '2026-10-13T11:00'), [0, 1, 0]],
    ['without an end', timed('2026-10-13T10:00'), [0, 1, 0]],
    ['over midnight', timed('2026-10-13T22:00', '2026-10-14T01:00'), [0, 1, 1]],
    ['to midnight: the next day is not touched', timed('2026-10-13T22:00', '2026-10-14T00:00'), [0, 1, 0]],
    ['from midnight', timed('2026-10-13T00:00', '2026-10-13T01:00'), [0, 1, 0]],
    ['nothing, at midnight', timed('2026-10-13T00:00', '2026-10-13T00:00'), [0, 1, 0]],
    ['a day', days('2026-10-13', '2026-10-14'), [0, 1, 0]],
    ['three days', days('2026-10-12', '2026-10-15'), [1, 1, 1]],
  ])('%s', (_, when, expected) =>
    expect(touched(when, '2026-10-12', '2026-10-13', '2026-10-14')).toEqual(expected),
  );
});

test('what touches a stretch of days is there once, in the order given, and what a plain look at each day finds', () => {
  const start = fc.integer({ min: 0, max: 60 * 24 * 20 });
  const when = fc.tuple(start, fc.integer({ min: 0, max: 60 * 24 * 4 })).map(([minutes, length]) => {
    const begins = Temporal.PlainDateTime.from('2026-10-01T00:00').add({ minutes });
    return timed(begins.toString(), begins.add({ minutes: length }).toString());
  });
  fc.assert(
    fc.property(fc.array(when, { maxLength: 8 }), fc.nat(24), fc.nat(6), (whens, first, length) => {
      const all = occurrences(...whens);
      const from = day('2026-10-01').add({ days: first });
      const to = from.add({ days: length });
      const found = touching(all)(from, to);
      const plain = all.filter((o) => {
        const [begin, end] = [dayOf(o.start), o.end ?? o.start];
        const wall = 'wall' in end ? end.wall : (end as Temporal.PlainDate).toPlainDateTime();
        const atMidnight = wall.hour === 0 && wall.minute === 0 && !wall.toPlainDate().equals(begin);
        const last = atMidnight ? wall.toPlainDate().subtract({ days: 1 }) : wall.toPlainDate();
        return Temporal.PlainDate.compare(begin, to) <= 0 && Temporal.PlainDate.compare(last, from) >= 0;
      });
      expect(found).toEqual(plain);
    }),
    { numRuns: 200 },
  );
});

describe('when something is over', () => {
  const over = (when: When) => new Date(overAtMs(occurrences(when)[0]!, zone)).toISOString();
  test.each<[string, When, string]>([
    ['at its end', timed('2026-10-13T10:00', '2026-10-13T11:00'), '2026-10-13T14:00:00.000Z'],
    ['as it begins, where it has no end', timed('2026-10-13T10:00'), '2026-10-13T13:00:00.000Z'],
    ['with its day', days('2026-10-13', '2026-10-14'), '2026-10-14T03:00:00.000Z'],
    [
      'with a day of 25 hours, as clocks go back',
      days('2026-11-01', '2026-11-02'),
      '2026-11-02T04:00:00.000Z',
    ],
  ])('%s', (_, when, expected) => expect(over(when)).toBe(expected));
});
