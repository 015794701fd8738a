/**
 * The worked examples of RFC 5545 section 3.8.5.3 (values from memory of the text, checked against two engines), each with DTSTART;TZID=America/New_York:19970902T090000 unless it says
 * otherwise. Expected: the local times that the RFC prints. UNTIL is written as local wall time, which is how the core
 * holds it (the RFC's `19971224T000000Z` is 19:00 local the day before); section 3.3.10 compares them as instants.
 */
export type WorkedExample = readonly [
  name: string,
  dtstart: string,
  rrule: string,
  expected: readonly string[],
  upTo?: string,
];

const days = (month: string, ...list: number[]) => list.map((d) => `${month}-${String(d).padStart(2, '0')}`);
const range = (from: number, to: number, step = 1) =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);
export const START = '1997-09-02T09:00';

export const EXAMPLES: readonly WorkedExample[] = [
  ['daily for 10 occurrences', START, 'FREQ=DAILY;COUNT=10', days('1997-09', ...range(2, 11))],
  ['daily until December 24, 1997', START, 'FREQ=DAILY;UNTIL=19971223T190000', [
    ...days('1997-09', ...range(2, 30)), ...days('1997-10', ...range(1, 31)), ...days('1997-11', ...range(1, 30)), ...days('1997-12', ...range(1, 23)),
  ]],
  ['every other day', START, 'FREQ=DAILY;INTERVAL=2', [...days('1997-09', ...range(2, 30, 2)), ...days('1997-10', ...range(2, 30, 2))], '1997-10-31'],
  ['every 10 days, 5 occurrences', START, 'FREQ=DAILY;INTERVAL=10;COUNT=5', ['1997-09-02', '1997-09-12', '1997-09-22', '1997-10-02', '1997-10-12']],
  ['every day in January, for 3 years (yearly)', '1998-01-01T09:00', 'FREQ=YEARLY;UNTIL=20000131T090000;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA',
    ['1998-01', '1999-01', '2000-01'].flatMap((m) => days(m, ...range(1, 31)))],
  ['every day in January, for 3 years (daily)', '1998-01-01T09:00', 'FREQ=DAILY;UNTIL=20000131T090000;BYMONTH=1',
    ['1998-01', '1999-01', '2000-01'].flatMap((m) => days(m, ...range(1, 31)))],
  ['weekly for 10 occurrences', START, 'FREQ=WEEKLY;COUNT=10', [...days('1997-09', 2, 9, 16, 23, 30), ...days('1997-10', 7, 14, 21, 28), ...days('1997-11', 4)]],
  ['weekly until December 24, 1997', START, 'FREQ=WEEKLY;UNTIL=19971223T190000', [
    ...days('1997-09', 2, 9, 16, 23, 30), ...days('1997-10', 7, 14, 21, 28), ...days('1997-11', 4, 11, 18, 25), ...days('1997-12', 2, 9, 16, 23),
  ]],
  ['every other week, forever', START, 'FREQ=WEEKLY;INTERVAL=2;WKST=SU', [
    ...days('1997-09', 2, 16, 30), ...days('1997-10', 14, 28), ...days('1997-11', 11, 25), ...days('1997-12', 9, 23), ...days('1998-01', 6, 20), ...days('1998-02', 3, 17),
  ], '1998-02-28'],
  ['weekly on Tuesday and Thursday for five weeks (until)', START, 'FREQ=WEEKLY;UNTIL=19971006T200000;WKST=SU;BYDAY=TU,TH',
    [...days('1997-09', 2, 4, 9, 11, 16, 18, 23, 25, 30), ...days('1997-10', 2)]],
  ['weekly on Tuesday and Thursday for five weeks (count)', START, 'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH',
    [...days('1997-09', 2, 4, 9, 11, 16, 18, 23, 25, 30), ...days('1997-10', 2)]],
  ['every other week on Monday, Wednesday, and Friday until December 24, 1997', '1997-09-01T09:00', 'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971223T190000;WKST=SU;BYDAY=MO,WE,FR', [
    ...days('1997-09', 1, 3, 5, 15, 17, 19, 29), ...days('1997-10', 1, 3, 13, 15, 17, 27, 29, 31), ...days('1997-11', 10, 12, 14, 24, 26, 28), ...days('1997-12', 8, 10, 12, 22),
  ]],
  ['every other week on Tuesday and Thursday, for 8 occurrences', START, 'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
    [...days('1997-09', 2, 4, 16, 18, 30), ...days('1997-10', 2, 14, 16)]],
  ['monthly on the first Friday for 10 occurrences', '1997-09-05T09:00', 'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
    ['1997-09-05', '1997-10-03', '1997-11-07', '1997-12-05', '1998-01-02', '1998-02-06', '1998-03-06', '1998-04-03', '1998-05-01', '1998-06-05']],
  ['monthly on the first Friday until December 24, 1997', '1997-09-05T09:00', 'FREQ=MONTHLY;UNTIL=19971223T190000;BYDAY=1FR',
    ['1997-09-05', '1997-10-03', '1997-11-07', '1997-12-05']],
  ['every other month on the first and last Sunday for 10 occurrences', '1997-09-07T09:00', 'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU',
    ['1997-09-07', '1997-09-28', '1997-11-02', '1997-11-30', '1998-01-04', '1998-01-25', '1998-03-01', '1998-03-29', '1998-05-03', '1998-05-31']],
  ['monthly on the second-to-last Monday for 6 months', '1997-09-22T09:00', 'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
    ['1997-09-22', '1997-10-20', '1997-11-17', '1997-12-22', '1998-01-19', '1998-02-16']],
  ['monthly on the third-to-the-last day of the month, forever', '1997-09-28T09:00', 'FREQ=MONTHLY;BYMONTHDAY=-3',
    ['1997-09-28', '1997-10-29', '1997-11-28', '1997-12-29', '1998-01-29', '1998-02-26'], '1998-02-28'],
  ['monthly on the 2nd and 15th for 10 occurrences', START, 'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
    ['1997-09', '1997-10', '1997-11', '1997-12', '1998-01'].flatMap((m) => days(m, 2, 15))],
  ['monthly on the first and last day for 10 occurrences', '1997-09-30T09:00', 'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
    ['1997-09-30', '1997-10-01', '1997-10-31', '1997-11-01', '1997-11-30', '1997-12-01', '1997-12-31', '1998-01-01', '1998-01-31', '1998-02-01']],
  ['every 18 months on the 10th thru 15th for 10 occurrences', '1997-09-10T09:00', 'FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15',
    [...days('1997-09', ...range(10, 15)), ...days('1999-03', ...range(10, 13))]],
  ['every Tuesday, every other month', START, 'FREQ=MONTHLY;INTERVAL=2;BYDAY=TU', [
    ...days('1997-09', 2, 9, 16, 23, 30), ...days('1997-11', 4, 11, 18, 25), ...days('1998-01', 6, 13, 20, 27), ...days('1998-03', 3, 10, 17, 24, 31),
  ], '1998-04-30'],
  ['yearly in June and July for 10 occurrences', '1997-06-10T09:00', 'FREQ=YEARLY;COUNT=10;BYMONTH=6,7',
    range(1997, 2001).flatMap((y) => [`${y}-06-10`, `${y}-07-10`])],
  ['every other year on January, February, and March for 10 occurrences', '1997-03-10T09:00', 'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3', [
    '1997-03-10', '1999-01-10', '1999-02-10', '1999-03-10', '2001-01-10', '2001-02-10', '2001-03-10', '2003-01-10', '2003-02-10', '2003-03-10',
  ]],
  ['every third year on the 1st, 100th, and 200th day for 10 occurrences', '1997-01-01T09:00', 'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200', [
    '1997-01-01', '1997-04-10', '1997-07-19', '2000-01-01', '2000-04-09', '2000-07-18', '2003-01-01', '2003-04-10', '2003-07-19', '2006-01-01',
  ]],
  ['every 20th Monday of the year, forever', '1997-05-19T09:00', 'FREQ=YEARLY;BYDAY=20MO', ['1997-05-19', '1998-05-18', '1999-05-17'], '1999-12-31'],
  ['Monday of week number 20, forever', '1997-05-12T09:00', 'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO', ['1997-05-12', '1998-05-11', '1999-05-17'], '1999-12-31'],
  ['every Thursday in March, forever', '1997-03-13T09:00', 'FREQ=YEARLY;BYMONTH=3;BYDAY=TH',
    [...days('1997-03', 13, 20, 27), ...days('1998-03', 5, 12, 19, 26), ...days('1999-03', 4, 11, 18, 25)], '1999-12-31'],
  ['every Thursday, but only during June, July, and August, forever', '1997-06-05T09:00', 'FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8',
    [...days('1997-06', 5, 12, 19, 26), ...days('1997-07', 3, 10, 17, 24, 31), ...days('1997-08', 7, 14, 21, 28)], '1997-12-31'],
  ['the first Saturday that follows the first Sunday of the month, forever', '1997-09-13T09:00', 'FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13',
    ['1997-09-13', '1997-10-11', '1997-11-08', '1997-12-13', '1998-01-10', '1998-02-07', '1998-03-07', '1998-04-11', '1998-05-09', '1998-06-13'], '1998-06-30'],
  ['every 4 years, the first Tuesday after a Monday in November (U.S. presidential election day)', '1996-11-05T09:00', 'FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8',
    ['1996-11-05', '2000-11-07', '2004-11-02'], '2004-12-31'],
  ['the third instance into the month of one of Tuesday, Wednesday, or Thursday, for the next 3 months', '1997-09-04T09:00', 'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
    ['1997-09-04', '1997-10-07', '1997-11-06']],
  ['the second-to-last weekday of the month', '1997-09-29T09:00', 'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2',
    ['1997-09-29', '1997-10-30', '1997-11-27', '1997-12-30', '1998-01-29', '1998-02-26', '1998-03-30'], '1998-03-31'],
  ['an example where the days generated makes a difference because of WKST=MO', '1997-08-05T09:00', 'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO',
    ['1997-08-05', '1997-08-10', '1997-08-19', '1997-08-24']],
  ['changing only WKST from MO to SU, yields different results', '1997-08-05T09:00', 'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
    ['1997-08-05', '1997-08-17', '1997-08-19', '1997-08-31']],
  ['an invalid date (i.e., February 30) is ignored', '2007-01-15T09:00', 'FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5',
    ['2007-01-15', '2007-01-30', '2007-02-15', '2007-03-15', '2007-03-30']],
]; // prettier-ignore
