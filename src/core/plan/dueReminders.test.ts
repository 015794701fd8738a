import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import {
  IVO,
  HL,
  NOW,
  assignment,
  booking,
  course,
  day,
  plan,
  sheet,
  student,
} from '../../../tests/support/plans';
import type { EntryId } from '../ids';
import { requireZone } from '../time/zoneData';
import { dueReminders } from './dueReminders';
import { occurrencesOf } from './occurrences';
import { seenPlan } from './seenPlan';

// Due on Thursday 15 October at 17:00; Ivo's time begins at 12:00 that day.
const given = plan({ courses: [course()], entries: [assignment()], sheets: [sheet([[booking()]])] });
const occurrences = occurrencesOf(seenPlan(student(IVO), given, NOW), requireZone);
const at = (wall: string) => Temporal.ZonedDateTime.from(`${wall}[America/Halifax]`).toInstant();
const reminded = (
  wall: string,
  wanted = { due: 1440, booking: 60 },
  done: readonly string[] = [],
  list = occurrences,
) =>
  dueReminders(list, wanted, { now: at(wall), zoneOf: requireZone, done: new Set(done as EntryId[]) }).map(
    ({ occurrence: { kind } }) => kind,
  );
const work = assignment();

test.each([
  ['a moment too early', '2026-10-14T16:59', []],
  ['a day before what is due', '2026-10-14T17:00', ['due']],
  ['made up for within the hour', '2026-10-14T17:59', ['due']],
  ['and not later', '2026-10-14T18:00', []],
  ['an hour before a time that was taken', '2026-10-15T11:05', ['booking']],
])('%s', (_, wall, kinds) => expect(reminded(wall)).toEqual(kinds));

test('nothing that is done, called off, or not wanted', () => {
  expect(reminded('2026-10-14T17:00', { due: 1440, booking: 60 }, [work.id])).toEqual([]);
  expect(reminded('2026-10-14T17:00', {} as { due: number; booking: number })).toEqual([]);
  const off = occurrences.map((o) => ({ ...o, cancelled: '' }));
  expect(reminded('2026-10-14T17:00', undefined, [], off)).toEqual([]);
});

test('what is due on a day is reminded of from its morning', () => {
  const allDay = plan({ courses: [course()], entries: [assignment({ due: day('2026-10-15') })] });
  const list = occurrencesOf(seenPlan(student(IVO), allDay, NOW), requireZone);
  expect(reminded('2026-10-14T08:00', undefined, [], list)).toEqual(['due']);
  expect(reminded('2026-10-14T07:59', undefined, [], list)).toEqual([]);
  expect(list[0]!.courses).toEqual([HL]);
});
