import { expect, test } from 'vitest';
import { freqFirst, isRule } from './isRule';

// RFC 5545 section 3.3.10 and the examples of section 3.8.5.3.
test.each([
  'FREQ=DAILY;COUNT=10',
  'FREQ=DAILY;UNTIL=19971224T000000Z',
  'FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA',
  'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR',
  'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
  'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
  'FREQ=MONTHLY;BYMONTHDAY=-3',
  'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200',
  'FREQ=YEARLY;BYDAY=20MO',
  'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO',
  'FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8',
  'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
  'FREQ=DAILY;BYHOUR=9,10,11,12,13,14,15,16;BYMINUTE=0,20,40',
])('%s is a rule of the standard', (rule) => expect(isRule(rule)).toBe(true));

test.each([
  ['a month that there is not', 'FREQ=YEARLY;BYMONTH=13'],
  ['a month counted from the end', 'FREQ=YEARLY;BYMONTH=-1'],
  ['the first Monday of a week', 'FREQ=WEEKLY;BYDAY=1MO'],
  ['a day counted in a day', 'FREQ=DAILY;BYDAY=1MO'],
  ['a part twice', 'FREQ=DAILY;COUNT=2;COUNT=3'],
  ['an end by number and by date', 'FREQ=DAILY;COUNT=2;UNTIL=20261101'],
  ['no frequency', 'COUNT=2'],
  ['an unknown part', 'FREQ=DAILY;EVERY=2'],
  ['an end on 31 November', 'FREQ=DAILY;UNTIL=20261131'],
  ['an end at 25:00', 'FREQ=DAILY;UNTIL=20261101T250000'],
  ['a half end', 'FREQ=DAILY;UNTIL=202611'],
  ['an end of words', 'FREQ=DAILY;UNTIL=NEVER'],
  ['day 0 of a month', 'FREQ=MONTHLY;BYMONTHDAY=0'],
  ['day 32 of a month', 'FREQ=MONTHLY;BYMONTHDAY=32'],
  ['days of the month in a week', 'FREQ=WEEKLY;BYMONTHDAY=3'],
  ['days of the year in a month', 'FREQ=MONTHLY;BYYEARDAY=3'],
  ['week numbers in a month', 'FREQ=MONTHLY;BYWEEKNO=3'],
  ['a counted weekday in a numbered week', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=1MO'],
  ['a position of nothing', 'FREQ=MONTHLY;BYSETPOS=1'],
  ['position 0', 'FREQ=MONTHLY;BYDAY=MO;BYSETPOS=0'],
  ['no interval', 'FREQ=DAILY;INTERVAL=0'],
  ['a part without a value', 'FREQ=DAILY;COUNT='],
  ['an empty part', 'FREQ=DAILY;'],
  ['two values', 'FREQ=DAILY=WEEKLY'],
])('%s is refused', (_, rule) => expect(isRule(rule)).toBe(false));

test('the frequency is put in front, the rest stays in order', () =>
  expect(freqFirst('COUNT=4;FREQ=WEEKLY;BYDAY=TU')).toBe('FREQ=WEEKLY;COUNT=4;BYDAY=TU'));
