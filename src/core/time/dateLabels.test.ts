import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { briefTime, momentLabel, rangeLabel, timeLabel, withTwelveHours } from './dateLabels';

const at = (time: string) => Temporal.PlainTime.from(time);

test.each([
  ['00:00', '00:00', '12:00 am'],
  ['00:05', '00:05', '12:05 am'],
  ['09:30', '09:30', '9:30 am'],
  ['12:00', '12:00', '12:00 pm'],
  ['12:59', '12:59', '12:59 pm'],
  ['13:00', '13:00', '1:00 pm'],
  ['23:59', '23:59', '11:59 pm'],
])('%s is %s on a clock of 24 hours and %s on one of 12', (time, long, short) => {
  expect(timeLabel(at(time))).toBe(long);
  expect(timeLabel(at(time), withTwelveHours('en-US')).replace('\u00a0', ' ')).toBe(short);
});

test('Intl’s own clock of twelve hours says the same for every minute of a day', () => {
  const format = new Intl.DateTimeFormat('en-US', { hour: 'numeric', minute: '2-digit', hourCycle: 'h12', timeZone: 'UTC' }); // prettier-ignore
  for (let minute = 0; minute < 1440; minute++) {
    const time = at('00:00').add({ minutes: minute });
    const theirs = format
      .format(minute * 60_000)
      .toLowerCase()
      .replace(/\s/, ' ');
    expect(timeLabel(time, withTwelveHours('en-GB')).replace('\u00a0', ' ')).toBe(theirs);
  }
});

test('the clock is part of a locale: dates keep its language, ranges and moments follow', () => {
  const locale = withTwelveHours('de-DE');
  const wall = Temporal.PlainDateTime.from('2026-10-15T17:00');
  expect(momentLabel({ wall, tzid: 'America/Halifax' }, locale)).toBe('Do., 15. Okt., 5:00\u00a0pm');
  expect(rangeLabel(at('11:00'), at('12:15'), locale)).toBe('11:00\u00a0am–12:15\u00a0pm');
});

test.each([
  ['10:00', '10:00', '10 am'],
  ['17:30', '17:30', '5:30 pm'],
  ['00:00', '00:00', '12 am'],
])('where room is short %s is %s, or %s', (time, long, short) => {
  expect(briefTime(Temporal.PlainTime.from(time))).toBe(long);
  expect(briefTime(Temporal.PlainTime.from(time), withTwelveHours('en-GB')).replace('\u00a0', ' ')).toBe(
    short,
  );
});
