import { expect, test } from 'vitest';
import { day } from '../../../tests/support/plans';
import { openDayAfter } from './openDayAfter';

const reading = { start: day('2026-11-09'), end: day('2026-11-14') };
test.each([
  ['the next day is open', '2026-10-14', '2026-10-15'],
  ['after a Friday comes Monday', '2026-10-16', '2026-10-19'],
  ['a closure and the weekend behind it are passed over', '2026-11-06', '2026-11-16'],
])('%s', (_, from, expected) => expect(openDayAfter(day(from), [reading]).toString()).toBe(expected));
