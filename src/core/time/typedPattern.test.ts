import { describe, expect, test } from 'vitest';
import { readPattern } from './typedPattern';

const read = (text: string) => {
  const typed = readPattern(text);
  return typed.ok
    ? typed.classes
        .map((c) => `${c.weekday} ${String(c.start).slice(0, 5)}-${String(c.end).slice(0, 5)}`)
        .join(', ')
    : typed.why;
};

describe('a typed week', () => {
  test.each([
    ['Tue Thu 10-11:50', '2 10:00-11:50, 4 10:00-11:50'],
    ['Mon 9-10; Fri 13:00-15:00', '1 09:00-10:00, 5 13:00-15:00'],
    ['mondays and wednesdays 12-1', '1 12:00-13:00, 3 12:00-13:00'],
    ['Tu/Th 1400-1515', '2 14:00-15:15, 4 14:00-15:15'],
    ['sat 9a-noon\nsun 10-11', '6 09:00-12:00, 7 10:00-11:00'],
    ['', ''],
    ['Tue 2-4', 'ask'],
    ['Tue 14-13', 'backwards'],
    ['Tue', 'time'],
    ['10-11', 'day'],
    ['Someday 10-11', 'day'],
  ])('%j is %s', (typed, expected) => expect(read(typed)).toBe(expected));
});
