import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { NOW, day, term } from '../../../tests/support/plans';
import type { ClosureId } from '../ids';
import type { Closure } from './closure';
import { nextOpenDay } from './nextOpenDay';

const closure = (days: Readonly<{ firstDay: string; lastDay: string; closesAt?: string }>): Closure => ({
  id: 'closed' as ClosureId,
  term: term.id,
  name: 'Closed',
  start: day(days.firstDay),
  end: day(days.lastDay).add({ days: 1 }),
  ...(days.closesAt ? { closesAt: Temporal.PlainTime.from(days.closesAt) } : {}),
  created: NOW,
});

const next = (after: string, closed: readonly (readonly [string, string])[] = [], weekdays: readonly number[] = []) =>
  nextOpenDay(day(after), closed.map(([firstDay, lastDay]) => closure({ firstDay, lastDay })), new Set(weekdays)).toString(); // prettier-ignore

test.each([
  ['a Tuesday goes to Wednesday', next('2026-10-20'), '2026-10-21'],
  ['a Friday to Monday', next('2026-10-23'), '2026-10-26'],
  ['to Saturday where classes are held then', next('2026-10-23', [], [6]), '2026-10-24'],
  ['over days that are closed', next('2026-10-20', [['2026-10-21', '2026-10-23']]), '2026-10-26'],
])('%s', (_, found, expected) => expect(found).toBe(expected));

test('a day that closes early is open', () => {
  const early = closure({ firstDay: '2026-10-21', lastDay: '2026-10-21', closesAt: '13:00' });
  expect(nextOpenDay(day('2026-10-20'), [early]).toString()).toBe('2026-10-21');
});
