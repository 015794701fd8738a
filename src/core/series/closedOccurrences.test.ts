import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { NOW, at, day, event, term } from '../../../tests/support/plans';
import type { ClosureId, CourseId } from '../ids';
import type { Closure } from '../time/closure';
import { momentText } from '../time/zonedWall';
import { closedOccurrences } from './closedOccurrences';
import { expandSeries } from './expand';

const closure = (first: string, last: string, more: Partial<Closure> = {}): Closure => ({
  id: `${first} ${last}` as ClosureId,
  term: term.id,
  name: 'Closed',
  start: day(first),
  end: day(last).add({ days: 1 }),
  created: NOW,
  ...more,
});
const weekly = { rrule: 'FREQ=WEEKLY;UNTIL=20261218T235959', exdates: [], closed: [], overrides: [] };
const series = event({ when: { kind: 'timed', start: at('2026-09-08T10:00'), end: at('2026-09-08T11:30') }, recurrence: weekly }); // prettier-ignore
const closed = (...closures: readonly Closure[]) => closedOccurrences(series, closures).map(momentText);

test('those on closed days, whole weeks too; what is open, online or closed for another course alone stays', () => {
  expect(closed(closure('2026-10-20', '2026-10-20'))).toEqual(['2026-10-20T10:00']);
  expect(closed(closure('2026-11-09', '2026-11-20'))).toEqual(['2026-11-10T10:00', '2026-11-17T10:00']);
  expect(closed(closure('2026-10-21', '2026-10-23'))).toEqual([]);
  expect(closed(closure('2026-10-20', '2026-10-20', { online: true }))).toEqual([]);
  expect(closed(closure('2026-10-20', '2026-10-20', { course: 'another' as CourseId }))).toEqual([]);
});

test('a day that closes early takes what goes on longer', () => {
  const from = (clock: string) => closed(closure('2026-10-20', '2026-10-20', { closesAt: Temporal.PlainTime.from(clock) })); // prettier-ignore
  expect(from('11:00')).toEqual(['2026-10-20T10:00']);
  expect(from('11:30')).toEqual([]);
});

test('what is left is the series without the closed days, whatever closes', () =>
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(100), fc.nat(9)), { maxLength: 6 }), (stretches) => {
      const closures = stretches.map(([from, days]) => {
        const first = day('2026-09-08').add({ days: from });
        return closure(first.toString(), first.add({ days }).toString());
      });
      const span = { from: day('2026-09-01'), to: day('2026-12-31') };
      const all = expandSeries(series.when.start, { ...weekly, closed: [] }, span).map(({ recurrenceId }) => momentText(recurrenceId)); // prettier-ignore
      const open = expandSeries(series.when.start, { ...weekly, closed: closedOccurrences(series, closures) }, span).map(({ recurrenceId }) => momentText(recurrenceId)); // prettier-ignore
      // An enumeration that knows nothing of the code: day by day.
      const isClosed = (text: string) =>
        stretches.some(([from, days]) => {
          const n = day('2026-09-08').until(day(text.slice(0, 10))).days;
          return n >= from && n <= from + days;
        });
      expect(open).toEqual(all.filter((text) => !isClosed(text)));
    }),
  ));
