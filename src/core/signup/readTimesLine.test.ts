import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { readStretches } from './readStretches';
import { readTimesLine } from './readTimesLine';

describe('a line about office hours', () => {
  test.each([
    ['T/Th 12-2 in 25s, 5 between', { typed: 'T/Th 12-2', length: '25', gap: '5', repeat: 'weekly' }],
    ['Office hours: Tue Thu 12-2', { typed: 'Tue Thu 12-2', repeat: 'weekly' }],
    ['Office hours are Wed 10-11:30, 15 minutes each', { typed: 'Wed 10-11:30', length: '15', repeat: 'weekly' }], // prettier-ignore
    ['Drop-in hours: Mon 2-4pm every week in 20 minute slots with 10 min break', { typed: 'Mon 2-4pm', length: '20', gap: '10', repeat: 'weekly' }], // prettier-ignore
    ['Office hours 15 Oct 10-12, 30 min each', { typed: '15 Oct 10-12', length: '30', repeat: 'once' }],
    ['Office hours: Thu 15 Oct 10-12', { typed: 'Thu 15 Oct 10-12', repeat: 'once' }],
    ['Help hours on Friday 9-10 in the loft', { typed: 'Friday 9-10', repeat: 'weekly' }],
    ['Office hours: Mon 9am-10am (room 12)', { typed: 'Mon 9am-10am', repeat: 'weekly' }],
    ['Consultation hours: by arrangement', { typed: 'by arrangement', repeat: 'once' }],
  ])('%s', (text, expected) => expect(readTimesLine(text)).toEqual(expected));

  test.each(['T/Th 12-2 in 25s, 5 between', 'Office hours: Tue, Thu 12-2', 'Office hours Thu 15 Oct 10-12'])(
    'what is typed of “%s” is read by the form',
    (text) => {
      const read = readStretches(readTimesLine(text).typed, Temporal.PlainDate.from('2026-10-13'));
      expect(read.ok).toBe(true);
    },
  );
});
