import { expect, test } from 'vitest';
import { day } from '../../../tests/support/plans';
import { readStretches, writeStretches } from './readStretches';

// Tuesday.
const FROM = day('2026-10-13');
const read = (text: string) => {
  const found = readStretches(text, FROM);
  if (found.ok) return found.stretches.map(({ date, start, end }) => `${date} ${start.toString().slice(0, 5)}-${end.toString().slice(0, 5)}`); // prettier-ignore
  return found.why;
};

test.each([
  ['Tue Thu 12-2', ['2026-10-13 12:00-14:00', '2026-10-15 12:00-14:00']],
  ['mondays and wed 9:30-11', ['2026-10-19 09:30-11:00', '2026-10-14 09:30-11:00']],
  ['Thu 10-4', ['2026-10-15 10:00-16:00']],
  ['15 Oct, 22 October 10-12', ['2026-10-15 10:00-12:00', '2026-10-22 10:00-12:00']],
  ['Oct 15 10-12; Fri noon to 13', ['2026-10-15 10:00-12:00', '2026-10-16 12:00-13:00']],
  ['Thu 15 Oct 10-11', ['2026-10-15 10:00-11:00']],
  ['Sat 24 Oct, 31 Oct 10-11', ['2026-10-24 10:00-11:00', '2026-10-31 10:00-11:00']],
  ['Fri 15 Oct 10-11', 'day'],
  ['2026-11-03 14:00-15:00', ['2026-11-03 14:00-15:00']],
  ['3 Jan 10-11', ['2027-01-03 10:00-11:00']],
  ['Thu 22-midnight', ['2026-10-15 22:00-00:00']],
  ['Thu 22:00-00:00', ['2026-10-15 22:00-00:00']],
  ['Thu 22-1', 'midnight'],
  ['Thu 14-12', 'backwards'],
  ['Thu 2-4', 'ask'],
  ['someday 10-12', 'day'],
  ['30 Feb 10-12', 'day'],
  ['10-12', 'day'],
  ['Thu', 'time'],
  ['', []],
])('%s', (text, expected) => expect(read(text)).toEqual(expected));

test('over midnight is asked, as two stretches', () => {
  const found = readStretches('Thu 22-1', FROM);
  expect(found.ok || found.why !== 'midnight' ? [] : found.twoDays.map((s) => `${s.date} ${s.start}-${s.end}`)).toEqual(['2026-10-15 22:00:00-00:00:00', '2026-10-16 00:00:00-01:00:00']); // prettier-ignore
});

test('what is written reads back', () => {
  const found = readStretches('Tue Thu 12-14; 2026-11-03 9-10', FROM);
  if (!found.ok) throw new Error(found.why);
  expect(readStretches(writeStretches(found.stretches), FROM)).toEqual(found);
});
