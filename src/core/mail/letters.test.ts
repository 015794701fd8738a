import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { requireZone } from '../time/zoneData';
import { zonedWall } from '../time/zonedWall';
import { gatheredDue, isNear } from './letters';

const NOW = Temporal.Instant.from('2026-10-13T12:00Z'); // 9:00 in Halifax
const ZONE = 'America/Halifax';
test.each([
  ['later today', zonedWall('2026-10-13T17:00', ZONE), true],
  ['the last minute of two days', zonedWall('2026-10-15T09:00', ZONE), true],
  ['a minute after them', zonedWall('2026-10-15T09:01', ZONE), false],
  ['what has begun', zonedWall('2026-10-13T08:59', ZONE), false],
  ['today, at no time of it', Temporal.PlainDate.from('2026-10-13'), true],
  ['yesterday', Temporal.PlainDate.from('2026-10-12'), false],
  ['the day after tomorrow', Temporal.PlainDate.from('2026-10-15'), true],
  ['the day after that', Temporal.PlainDate.from('2026-10-16'), false],
  ['two days on another clock', zonedWall('2026-10-15T13:00', 'Europe/Lisbon'), true],
] as const)('%s: near is %s', (_, moment, near) => {
  expect(isNear(moment, NOW, requireZone, ZONE)).toBe(near);
});

/** In the week of 12 October 2026, a Monday. */
test.each([
  ['a school day', '2026-10-13T16:00', [], 'daily'],
  ['an hour before', '2026-10-13T15:59', [], ''],
  ['an hour after', '2026-10-13T17:00', [], ''],
  ['the last school day of the week', '2026-10-16T16:30', [], 'daily weekly'],
  ['a Saturday', '2026-10-17T16:00', [], ''],
  ['a day that is closed', '2026-10-13T16:00', ['2026-10-13'], ''],
  ['the Thursday before a closed Friday', '2026-10-15T16:00', ['2026-10-16'], 'daily weekly'],
] as const)('%s: %s with %s closed writes %s', (_, wall, closed, expected) => {
  const { daily, weekly } = gatheredDue(Temporal.PlainDateTime.from(wall), (date) =>
    closed.some((day) => day === date.toString()),
  );
  expect([daily && 'daily', weekly && 'weekly'].filter(Boolean).join(' ')).toBe(expected);
});
