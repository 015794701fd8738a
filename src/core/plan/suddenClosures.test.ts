import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { Closure } from '../time/closure';
import { requireZone } from '../time/zoneData';
import { course, HL, term } from '../../../tests/support/plans';
import { suddenClosures } from './suddenClosures';

const at = (text: string) => Temporal.Instant.from(text);
const storm = (more: Partial<Closure> = {}): Closure => ({
  id: 'c' as Closure['id'],
  term: term.id,
  name: 'Storm',
  start: Temporal.PlainDate.from('2026-10-20'),
  end: Temporal.PlainDate.from('2026-10-21'),
  created: at('2026-10-20T10:12:00Z'),
  ...more,
});
const said = (closure: Closure, now: string) =>
  suddenClosures(
    { closures: [closure], terms: [term], courses: [course()], locale: 'en-GB' },
    at(now),
    requireZone,
  );

test('a storm of this morning stands at the head of every page, with the time at which it was said', () => {
  expect(said(storm(), '2026-10-20T12:00:00Z')).toEqual(['Today: Storm. Said Tue 20 Oct, 07:12.']);
  expect(said(storm({ closesAt: Temporal.PlainTime.from('13:00') }), '2026-10-20T12:00:00Z')).toEqual([
    'Today: Storm, closed from 13:00. Said Tue 20 Oct, 07:12.',
  ]);
  expect(said(storm({ course: HL, created: at('2026-10-19T20:00:00Z') }), '2026-10-19T21:00:00Z')).toEqual([
    'Tomorrow: HL: Storm. Said Mon 19 Oct, 17:00.',
  ]);
});

test('the day is that of the school; what is over, or was long known, is no news', () => {
  // In Halifax it is still the 20th.
  expect(said(storm(), '2026-10-21T02:00:00Z')).toHaveLength(1);
  expect(said(storm(), '2026-10-21T04:00:00Z')).toEqual([]);
  expect(said(storm(), '2026-10-18T12:00:00Z')).toEqual([]);
  expect(said(storm({ created: at('2026-10-10T10:00:00Z') }), '2026-10-20T12:00:00Z')).toEqual([]);
});
