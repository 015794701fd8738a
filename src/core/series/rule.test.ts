import { describe, expect, test } from 'vitest';
import { day, term } from '../../../tests/support/plans';
import type { RuleChoice } from './rule';
import { choiceOf, endingOn, rruleOf, untilOf } from './rule';

const first = day('2026-10-13'); // a Tuesday, the second of its month
const CHOICES: readonly (readonly [RuleChoice, string])[] = [
  [{ every: 1, pattern: { kind: 'weeks', weekdays: [4, 2] }, ends: { kind: 'term' } }, 'FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20261218'],
  [{ every: 2, pattern: { kind: 'weeks', weekdays: [2] }, ends: { kind: 'count', count: 4 } }, 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU;COUNT=4'],
  [{ every: 1, pattern: { kind: 'days' }, ends: { kind: 'date', until: day('2026-10-16') } }, 'FREQ=DAILY;UNTIL=20261016'],
  [{ every: 1, pattern: { kind: 'monthDay' }, ends: { kind: 'count', count: 3 } }, 'FREQ=MONTHLY;BYMONTHDAY=13;COUNT=3'],
  [{ every: 1, pattern: { kind: 'monthWeekday' }, ends: { kind: 'count', count: 3 } }, 'FREQ=MONTHLY;BYDAY=2TU;COUNT=3'],
]; // prettier-ignore

describe('a choice and its rule', () => {
  test.each(CHOICES)('%o', (choice, rrule) => {
    expect(rruleOf(choice, first, term)).toBe(rrule);
    const back = choiceOf(rrule, first, term)!;
    expect(rruleOf(back, first, term)).toBe(rrule);
    expect(back.pattern.kind).toBe(choice.pattern.kind);
  });

  test('the fifth weekday of a month is its last', () =>
    expect(rruleOf(CHOICES[4]![0], day('2026-10-29'), term)).toBe('FREQ=MONTHLY;BYDAY=-1TH;COUNT=3'));

  test.each(['FREQ=YEARLY;COUNT=2', 'FREQ=WEEKLY;BYDAY=TU', 'FREQ=WEEKLY;BYDAY=TU;BYSETPOS=1;COUNT=2'])(
    'a rule made elsewhere stays as it is: %s',
    (rrule) => expect(choiceOf(rrule, first, term)).toBeUndefined(),
  );
});

test('another end takes the place of UNTIL or COUNT', () => {
  expect(endingOn('FREQ=WEEKLY;COUNT=4;BYDAY=TU', day('2026-11-03'))).toBe(
    'FREQ=WEEKLY;BYDAY=TU;UNTIL=20261103',
  );
  expect(untilOf('FREQ=DAILY;UNTIL=20261016T120000')?.toString()).toBe('2026-10-16');
  expect(untilOf('FREQ=DAILY;COUNT=2')).toBeUndefined();
});
