import { describe, expect, test } from 'vitest';
import { momentText } from '../time/zonedWall';
import type { Moment } from '../time/zonedWall';
import { components } from './components';
import { contentLines } from './contentLines';
import { afterDuration, inZone, momentMs, readMoment, zoneReading } from './readMoment';

const none = zoneReading([], 'America/Halifax');
const read = (value: string, tzid?: string) =>
  readMoment(
    { value, params: new Map(tzid ? [['TZID', tzid]] : []) },
    { zoneOf: none, floating: 'Europe/Lisbon' },
  );
const said = (value: string, tzid?: string) => {
  const answer = read(value, tzid);
  if (!answer.ok) return answer.why;
  const { moment } = answer;
  return 'wall' in moment ? `${moment.wall.toString()} ${moment.tzid}` : momentText(moment);
};
const moment = (value: string, tzid?: string): Moment => {
  const answer = read(value, tzid);
  if (!answer.ok) throw new Error(answer.why);
  return answer.moment;
};

describe('RFC 5545, sections 3.3.4 and 3.3.5: dates and times', () => {
  test.each([
    ['a date, its example', '19970714', undefined, '1997-07-14'],
    ['a floating time is one of whoever reads', '19980118T230000', undefined, '1998-01-18T23:00:00 Europe/Lisbon'],
    ['a time in UTC, its example', '19980119T070000Z', undefined, '1998-01-19T07:00:00 UTC'],
    ['a time in a zone, its example', '19980119T020000', 'America/New_York', '1998-01-19T02:00:00 America/New_York'],
    ['a leap second, its example, is the second before it', '19970630T235960Z', undefined, '1997-06-30T23:59:59 UTC'],
    ['a time without seconds, which some write', '20261013T1000', 'UTC', '2026-10-13T10:00:00 UTC'],
    ['space around it', ' 20261013 ', undefined, '2026-10-13'],
  ])('%s', (_, value, tzid, expected) => expect(said(value, tzid)).toBe(expected)); // prettier-ignore
  test.each([
    ['a day that is not', '20260230', '“20260230” is no date.'],
    ['an hour that is not', '20261013T250000', '“20261013T250000” is no date.'],
    ['words', 'next Tuesday', '“next Tuesday” is no date.'],
    ['nothing', '', '“” is no date.'],
    ['a year of another century', '18991231', 'The year 1899 lies outside 1970 to 2100.'],
    ['the date as people write it', '2026-10-13', '“2026-10-13” is no date.'],
  ])('%s is none', (_, value, why) => expect(said(value)).toBe(why));
});

describe('names of zones', () => {
  const named = (name: string, file = '') => zoneReading(components(contentLines(new TextEncoder().encode(file)).lines).roots, 'America/Halifax')(name); // prettier-ignore
  test.each(['UTC', 'Etc/UTC', 'gmt', 'Z'])('%s is UTC', (name) => expect(named(name).tzid).toBe('UTC'));
  test('an IANA name is itself, without a word about it', () =>
    expect(named('Europe/Lisbon')).toEqual({ tzid: 'Europe/Lisbon' }));
  test('a Windows name is read by the mapping of the Unicode CLDR, and said', () =>
    expect(named('Atlantic Standard Time')).toEqual({
      tzid: 'America/Halifax',
      why: 'The time zone “Atlantic Standard Time” was read as America/Halifax.',
    }));
  test('an IANA name behind what a program writes before it', () =>
    expect(named('/program.example/20260101_1/Europe/Lisbon').tzid).toBe('Europe/Lisbon'));
  test('a name of one’s own, where the file says where that is', () => {
    const file = 'BEGIN:VCALENDAR\r\nBEGIN:VTIMEZONE\r\nTZID:Our loft\r\nX-LIC-LOCATION:Europe/Oslo\r\nEND:VTIMEZONE\r\nEND:VCALENDAR'; // prettier-ignore
    expect(named('Our loft', file).tzid).toBe('Europe/Oslo');
  });
  test('an unknown one is the zone of whoever reads, and said', () =>
    expect(named('Middle of nowhere')).toEqual({
      tzid: 'America/Halifax',
      why: 'The time zone “Middle of nowhere” is not known. Its times were read as those of America/Halifax.',
    }));
});

describe('RFC 5545, section 3.3.6: durations', () => {
  const after = (start: string, text: string, tzid?: string) => {
    const end = afterDuration(moment(start, tzid), text);
    return end && ('wall' in end ? end.wall.toString() : momentText(end));
  };
  test.each([
    ['P15DT5H0M20S', '2026-10-28T15:00:20'],
    ['P7W', '2026-12-01T10:00:00'],
    ['PT1H30M', '2026-10-13T11:30:00'],
    ['+PT15M', '2026-10-13T10:15:00'],
  ])('%s', (text, expected) => expect(after('20261013T100000', text, 'UTC')).toBe(expected));
  test.each(['', 'P', '-PT15M', '1 hour', 'P1Y', 'PT1.5H'])('“%s” is none', (text) =>
    expect([undefined, '2026-10-13T10:00:00']).toContain(after('20261013T100000', text, 'UTC')),
  );
  test('days are nominal, hours exact: over the change of the clocks in Halifax, 1 November 2026', () => {
    // A day later it is the same hour; 24 hours later it is one hour earlier by the clock.
    expect(after('20261031T120000', 'P1D', 'America/Halifax')).toBe('2026-11-01T12:00:00');
    expect(after('20261031T120000', 'PT24H', 'America/Halifax')).toBe('2026-11-01T11:00:00');
  });
  test('a day stays a day', () => expect(after('20261013', 'P2D')).toBe('2026-10-15'));
});

test('the same instant by other clocks, and where a day begins', () => {
  const lisbon = moment('20261013T100000', 'Europe/Lisbon');
  expect(momentText(inZone(lisbon, 'America/Halifax'))).toBe('2026-10-13T06:00');
  expect(momentMs(inZone(lisbon, 'America/Halifax'), 'UTC')).toBe(momentMs(lisbon, 'UTC'));
  expect(momentText(inZone(moment('20261013'), 'Asia/Tokyo'))).toBe('2026-10-13');
  expect(new Date(momentMs(moment('20261013'), 'America/Halifax')).toISOString()).toBe('2026-10-13T03:00:00.000Z');
}); // prettier-ignore
