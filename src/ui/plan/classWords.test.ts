import { expect, test } from 'vitest';
import { classWords } from './classWords';

const days = { '2026-10-13': 'week 6, Tue 13 Oct', '2026-10-14': 'week 6, Wed 14 Oct' };
const one = { meeting: 'm', number: { ordinal: 11 }, start: '10:00', end: '11:15' };
const classes = [
  { ...one, course: 'hl', section: 'a', name: 'A', date: '2026-10-13' },
  { ...one, course: 'hl', section: 'b', name: 'B', date: '2026-10-14' },
  { ...one, course: 'sr', section: 'c', name: 'A', date: '2026-10-13' },
];

test.each([
  ['of one section', ['sr'], 11, 'start', 'week 6, Tue 13 Oct, 10:00'],
  ['at its end', ['sr'], 11, 'end', 'week 6, Tue 13 Oct, 11:15'],
  ['of two sections on different days', ['hl'], 11, 'start', 'A: week 6, Tue 13 Oct, 10:00 · B: week 6, Wed 14 Oct, 10:00'],
  ['that there is not', ['sr'], 40, 'start', undefined],
] as const)('a class %s', (_, courses, ordinal, edge, expected) =>
  expect(classWords({ classes, days }, { courses, number: { ordinal }, edge })).toBe(expected),
); // prettier-ignore
