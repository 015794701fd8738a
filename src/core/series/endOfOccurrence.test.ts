import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { requireZone } from '../time/zoneData';
import { momentText, zonedWall } from '../time/zonedWall';
import { endOfOccurrence } from './endOfOccurrence';

const HALIFAX = 'America/Halifax';
const zone = requireZone(HALIFAX);
const wall = (text: string) => zonedWall(text, HALIFAX);
const end = (start: string, ends: string, at: string) =>
  momentText(endOfOccurrence({ start: wall(start), end: wall(ends) }, wall(at), zone)!);

// In Halifax clocks went from 2:00 to 3:00 on 14 March 2027, and go from 2:00 to 1:00 on 7 November 2027 (tzdata).
test.each([
  ['on an ordinary night', '2027-03-01T23:00', '2027-03-02T04:00', '2027-03-02T23:00', '2027-03-03T04:00'],
  ['when an hour is skipped: five hours', '2027-03-01T23:00', '2027-03-02T04:00', '2027-03-13T23:00', '2027-03-14T05:00'],
  ['when an hour is repeated', '2027-10-31T23:00', '2027-11-01T04:00', '2027-11-06T23:00', '2027-11-07T03:00'],
  ['a first one over the change lasts what it lasts', '2027-03-13T23:00', '2027-03-14T04:00', '2027-03-15T23:00', '2027-03-16T03:00'],
  ['by day the clock does not matter', '2027-03-10T10:00', '2027-03-10T11:50', '2027-03-17T10:00', '2027-03-17T11:50'],
])('%s', (_, start, ends, at, expected) => expect(end(start, ends, at)).toBe(expected)); // prettier-ignore

test('days are counted, and what has no end has none', () => {
  const day = Temporal.PlainDate.from;
  const ends = endOfOccurrence({ start: day('2027-03-12'), end: day('2027-03-15') }, day('2027-04-02'), zone);
  expect(ends?.toString()).toBe('2027-04-05');
  expect(
    endOfOccurrence({ start: wall('2027-03-12T10:00') }, wall('2027-03-13T10:00'), zone),
  ).toBeUndefined();
});
