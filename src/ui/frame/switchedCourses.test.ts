import { expect, test } from 'vitest';
import { switched, withoutCourses } from './switchedCourses';

test('a course is switched off and on again, other parameters kept', () => {
  const off = switched('day=2026-10-15', new Set(), 'HL 210');
  expect(off).toBe('?day=2026-10-15&without=HL+210');
  const read = withoutCourses(new URLSearchParams(off.slice(1)).get('without'));
  expect([...read]).toEqual(['HL 210']);
  expect(switched('day=2026-10-15&without=HL+210', read, 'HL 210')).toBe('?day=2026-10-15');
  expect(switched('', new Set(['NV 140']), 'NV 140')).toBe('?');
});
