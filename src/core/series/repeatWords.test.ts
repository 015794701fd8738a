import { describe, expect, test } from 'vitest';
import { repeatWords } from './repeatWords';

describe('a rule in words', () => {
  test.each([
    ['FREQ=DAILY;COUNT=3', 'every day 3 times'],
    ['FREQ=WEEKLY', 'every week'],
    ['FREQ=WEEKLY;COUNT=1', 'every week once'],
    ['FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;UNTIL=20261218', 'every 2 weeks on Tue and Thu until Fri 18 Dec'],
    ['FREQ=MONTHLY;BYDAY=1MO', 'every month on the first Mon'],
    ['FREQ=MONTHLY;BYDAY=-1FR', 'every month on the last Fri'],
    ['FREQ=MONTHLY;BYMONTHDAY=15', 'every month on day 15'],
    ['FREQ=YEARLY;UNTIL=20301231T170000', 'every year until Tue 31 Dec'],
  ])('%s', (rrule, words) => expect(repeatWords(rrule, 'en-GB')).toBe(words));
  test('weekdays and dates are written as the school writes them', () =>
    expect(repeatWords('FREQ=WEEKLY;BYDAY=TU;UNTIL=20261218', 'en-US')).toBe('every week on Tue until Fri, Dec 18')); // prettier-ignore
});
