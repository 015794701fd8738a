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
    ['FREQ=MONTHLY;BYDAY=-2MO;COUNT=6', 'every month on the second-to-last Mon 6 times'],
    ['FREQ=MONTHLY;BYMONTHDAY=1,-1', 'every month on days 1 and the last'],
    ['FREQ=YEARLY;BYDAY=20MO', 'every year on the 20th Mon'],
    ['FREQ=YEARLY;BYMONTH=3;BYDAY=TH', 'every year in March on Thu'],
    ['FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', 'every year in week 20 of the year on Mon'],
    [
      'FREQ=YEARLY;INTERVAL=3;BYYEARDAY=1,100,200;COUNT=10',
      'every 3 years on days 1, 100 and 200 of the year 10 times',
    ],
    ['FREQ=MONTHLY;BYDAY=TU,WE,TH;BYSETPOS=3', 'every month on Tue, Wed and Thu (only the third of these)'],
    ['FREQ=DAILY;BYHOUR=9,14;BYMINUTE=30', 'every day at 09:30 and 14:30'],
    ['FREQ=YEARLY;UNTIL=20301231T170000', 'every year until Tue 31 Dec'],
  ])('%s', (rrule, words) => expect(repeatWords(rrule, 'en-GB')).toBe(words));
  test('weekdays and dates are written as the school writes them', () =>
    expect(repeatWords('FREQ=WEEKLY;BYDAY=TU;UNTIL=20261218', 'en-US')).toBe('every week on Tue until Fri, Dec 18')); // prettier-ignore
});
