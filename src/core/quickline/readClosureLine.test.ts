import { describe, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import { readClosureLine } from './readClosureLine';

const day = (text: string) => Temporal.PlainDate.from(text);
const context = {
  today: day('2026-10-13'),
  term: { startsOn: day('2026-09-07'), endsOn: day('2026-12-18') },
  locale: 'en-GB',
};
const read = (line: string) => {
  const found = readClosureLine(line, context);
  return (
    found && [
      found.day.kind === 'day' ? found.day.day.toString() : found.day.kind,
      found.name,
      ...(found.closing === 'whole' ? [] : [found.closing]),
      ...(found.at ? [String(found.at).slice(0, 5)] : []),
    ]
  );
};

describe('a line that closes a day', () => {
  test.each([
    ['no classes Tue 20 Oct: storm', '2026-10-20', 'storm'],
    ['No school on 20 Oct', '2026-10-20', ''],
    ['no class tomorrow : burst pipe ', '2026-10-14', 'burst pipe'],
    ['school closed today: storm', '2026-10-13', 'storm'],
    ['school is closed on 20 Oct', '2026-10-20', ''],
    ['school opens at 10 tomorrow: ice', '2026-10-14', 'ice', 'late', '10:00'],
    ['classes begin 9:30 on Tue 20 Oct', '2026-10-20', '', 'late', '09:30'],
    ['school closes at 1 Tue 20 Oct: storm', '2026-10-20', 'storm', 'early', '13:00'],
    ['classes end at noon today', '2026-10-13', '', 'early', '12:00'],
    ['classes online Tue 20 Oct: ice', '2026-10-20', 'ice', 'online'],
    ['school is online on 20 Oct', '2026-10-20', '', 'online'],
  ])('%s', (line, ...expected) => expect(read(line)).toEqual(expected));
  test.each([
    'no classes',
    'Knot class Tue 20 Oct',
    'note: no classes Tue',
    'Regatta opens at 10 Tue',
    'school opens at dawn Tue',
    'online classes',
  ])('is not %s', (line) => expect(read(line)).toBeUndefined());
  test('whose day cannot be read is asked about', () => expect(read('no classes soon')?.[0]).not.toBe('day'));
});
