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
  return found && [found.day.kind === 'day' ? found.day.day.toString() : found.day.kind, found.name];
};

describe('a line that closes a day', () => {
  test.each([
    ['no classes Tue 20 Oct: storm', '2026-10-20', 'storm'],
    ['No school on 20 Oct', '2026-10-20', ''],
    ['no class tomorrow : burst pipe ', '2026-10-14', 'burst pipe'],
  ])('%s', (line, on, name) => expect(read(line)).toEqual([on, name]));
  test.each(['no classes', 'Knot class Tue 20 Oct', 'note: no classes Tue'])('is not %s', (line) =>
    expect(read(line)).toBeUndefined(),
  );
  test('whose day cannot be read is asked about', () => expect(read('no classes soon')?.[0]).not.toBe('day'));
});
