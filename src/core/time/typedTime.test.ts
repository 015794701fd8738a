import { describe, expect, test } from 'vitest';
import { readRange, readTime } from './typedTime';
import { isSecondPass } from './zonedWall';

function time(text: string): string {
  const read = readTime(text);
  if (read.kind === 'time')
    return read.time.toString({ smallestUnit: 'minute' }) + (isSecondPass(read.time) ? ', the second' : '');
  if (read.kind === 'ask')
    return read.readings.map((t) => t.toString({ smallestUnit: 'minute' })).join(' or ');
  return read.kind;
}
function range(text: string): string {
  const read = readRange(text);
  const words = (r: { start: { toString(): string }; end: { toString(): string } }) =>
    `${r.start.toString().slice(0, 5)}-${r.end.toString().slice(0, 5)}`;
  if (read.kind === 'range') return words(read);
  if (read.kind === 'ask') return read.readings.map(words).join(' or ');
  return read.kind;
}

describe('a typed time', () => {
  test.each([
    ['10', '10:00'],
    ['10a', '10:00'],
    ['10 am', '10:00'],
    ['2:30p', '14:30'],
    ['2.30 p.m.', '14:30'],
    ['1400', '14:00'],
    ['14.05', '14:05'],
    ['14h15', '14:15'],
    ['noon', '12:00'],
    ['1:30 (second time)', '01:30, the second'],
    ['1:30 am (second time)', '01:30, the second'],
    ['25:00 (second time)', 'unreadable'],
    ['midnight', '00:00'],
    ['12a', '00:00'],
    ['12p', '12:00'],
    ['12', '12:00'],
    ['7', '07:00'],
    ['02:00', '02:00'],
    ['0', '00:00'],
    ['2', '14:00 or 02:00'],
    ['6:15', '18:15 or 06:15'],
    ['230', '14:30 or 02:30'],
    ['13p', 'unreadable'],
    ['25', 'unreadable'],
    ['10:75', 'unreadable'],
    ['soon', 'unreadable'],
    ['', 'unreadable'],
  ])('%j is %s', (typed, expected) => expect(time(typed)).toBe(expected));
});

describe('a typed range', () => {
  test.each([
    ['12-2', '12:00-14:00'],
    ['10-11:30', '10:00-11:30'],
    ['10-4', '10:00-16:00'],
    ['9a to 4p', '09:00-16:00'],
    ['11 – 1', '11:00-13:00'],
    ['2-4', '14:00-16:00 or 02:00-04:00'],
    ['2p-4', '14:00-16:00'],
    ['14-13', 'backwards'],
    ['10p-9a', 'backwards'],
    ['10', 'unreadable'],
    ['10-11-12', 'unreadable'],
  ])('%j is %s', (typed, expected) => expect(range(typed)).toBe(expected));
});
