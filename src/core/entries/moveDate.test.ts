import { expect, test } from 'vitest';
import { NOW, assignment, at, day } from '../../../tests/support/plans';
import type { SharedEntry } from './entry';
import type { SharedFacts } from './facts';
import type { Hanging } from './moveDate';
import { moveDate } from './moveDate';

const hiddenAfter = { wall: at('2026-11-01T23:59'), at: NOW };
const work = assignment({ setOn: day('2026-10-08'), opens: at('2026-10-08T09:00'), closes: day('2026-10-20'), hiddenAfter }); // prettier-ignore
const from = assignment({ visibility: { kind: 'from', from: at('2026-10-01T08:00'), at: NOW } });
const before = assignment({ visibility: { kind: 'before', days: 7, at: NOW } });

const textOf = (entry: SharedFacts | undefined, field: Hanging): string => {
  if (!entry) return 'nothing';
  if (field === 'hiddenAfter') return entry.hiddenAfter!.wall.wall.toString();
  if (field !== 'shownFrom') {
    const value = entry.kind === 'assignment' ? entry[field]! : undefined;
    return value && 'wall' in value ? value.wall.toString() : String(value);
  }
  const { visibility } = entry;
  return visibility.kind === 'from' ? visibility.from.wall.toString() : JSON.stringify(visibility);
};

test.each<[string, SharedEntry, Hanging, number, string]>([
  ['the set day', work, 'setOn', 2, '2026-10-10'],
  ['a time it opens, at the same hour', work, 'opens', -1, '2026-10-07T09:00:00'],
  ['a day it closes', work, 'closes', 7, '2026-10-27'],
  ['hidden after, over the change of the clocks', work, 'hiddenAfter', 1, '2026-11-02T23:59:00'],
  ['shown from an exact time', from, 'shownFrom', 3, '2026-10-04T08:00:00'],
  ['shown some days before: later is fewer days', before, 'shownFrom', 3, '{"kind":"before","days":4,"at":"2026-10-13T12:00:00Z"}'],
  ['shown some days before: never after the day itself', before, 'shownFrom', 30, '{"kind":"before","days":0,"at":"2026-10-13T12:00:00Z"}'],
  ['what it does not have', from, 'closes', 1, 'nothing'],
  ['shown from, of what is shown anyway', work, 'shownFrom', 1, 'nothing'],
])('%s', (_, entry, field, days, expected) => expect(textOf(moveDate(entry, field, days), field)).toBe(expected)); // prettier-ignore

test('a date that followed a class no longer does', () => {
  const bound = assignment({
    atClass: { setOn: { ordinal: 3, edge: 'start' }, due: { ordinal: 5, edge: 'start' } },
  });
  expect(moveDate(bound, 'setOn', 1)).toMatchObject({ atClass: { due: { ordinal: 5 } } });
  expect(moveDate(bound, 'setOn', 1)).not.toMatchObject({ atClass: { setOn: expect.anything() } });
});
