import { describe, expect, test } from 'vitest';
import { quickContext } from '../../../tests/support/quickContext';
import type { TypedDay } from '../time/typedDay';
import { readAwayLine } from './readAwayLine';

const said = (day: TypedDay) =>
  day.kind === 'day' ? day.day.toString() : day.kind === 'ask' ? `${day.days.length} days` : day.kind;

// It is Tuesday 13 October 2026.
test.each([
  ['away today', '2026-10-13', '2026-10-13'],
  ['I am away tomorrow', '2026-10-14', '2026-10-14'],
  ['I’m away until Thursday', '2026-10-13', '2026-10-15'],
  ['away Thu to 20 Oct', '2026-10-15', '2026-10-20'],
  ['Away 19 Oct – 23 Oct', '2026-10-19', '2026-10-23'],
  ['away 2/11', '2 days', '2 days'],
])('%s', (line, from, to) => {
  const read = readAwayLine(line, quickContext)!;
  expect([said(read.from), said(read.to)]).toEqual([from, to]);
});

describe('something else', () => {
  test.each(['Away match Friday', 'away', 'Put away the moulds', 'away 20 Oct to 19 Oct'])('%s', (line) =>
    expect(readAwayLine(line, quickContext)).toBeUndefined(),
  );
});
