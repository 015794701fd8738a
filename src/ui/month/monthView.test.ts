import { expect, test } from 'vitest';
import { NOW, assignment, at, day, event, plan, student } from '../../../tests/support/plans';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { monthView } from './monthView';

const trip = event({
  title: 'Trip',
  when: { kind: 'days', start: day('2026-10-30'), end: day('2026-11-02') },
});
const seen = seenPlan(student(), plan({ entries: [assignment({ setOn: undefined, due: at('2026-10-15T17:00') }), trip] }), NOW); // prettier-ignore
const view = (month: string, weekStart = 1) =>
  monthView(seen, occurrencesOf(seen, requireZone), {
    month: day(month),
    today: day('2026-10-13'),
    weekStart,
  });

test('whole weeks from the first day of the week on, days of other months marked', () => {
  const { title, weekdays, weeks, before, after } = view('2026-10-13');
  expect(title).toBe('October 2026');
  expect(weekdays[0]).toBe('Mon');
  expect(weeks.map(({ days }) => days[0]!.date)).toEqual(['2026-09-28', '2026-10-05', '2026-10-12', '2026-10-19', '2026-10-26']); // prettier-ignore
  expect(weeks.flatMap(({ days }) => days).filter((d) => d.other)).toHaveLength(4);
  expect([before, after]).toEqual(['2026-09-01', '2026-11-01']);
  expect(view('2026-11-01', 7).weeks[0]!.days[0]!.date).toBe('2026-11-01');
});

const dayOf = (month: string, date: string) =>
  view(month).weeks.flatMap(({ days }) => days).find((d) => d.date === date)!; // prettier-ignore

test('each day has what touches it', () => {
  const titles = (month: string, date: string) =>
    dayOf(month, date).lines.map((line) => line.title); // prettier-ignore
  expect(titles('2026-10-01', '2026-10-15')).toEqual(['Body plan']);
  expect(view('2026-10-01').weeks.flatMap(({ days }) => days).find((d) => d.today)!.date).toBe('2026-10-13'); // prettier-ignore
});

test('what goes over several days is one line across them, drawn once a week, over the end of a month too', () => {
  const bars = (month: string, date: string) => dayOf(month, date).bars.map(({ line, lane, reach, begins, ends }) => ({ title: line.title, lane, reach, begins, ends })); // prettier-ignore
  const across = [{ title: 'Trip', lane: 0, reach: 3, begins: true, ends: true }];
  expect(bars('2026-10-01', '2026-10-30')).toEqual(across);
  expect(bars('2026-11-01', '2026-10-30')).toEqual(across);
  expect(dayOf('2026-11-01', '2026-11-01')).toMatchObject({ bars: [], lines: [], during: 'Trip' });
  expect(dayOf('2026-11-01', '2026-11-02')).toMatchObject({ bars: [], lines: [], during: undefined });
});
