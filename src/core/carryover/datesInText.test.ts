import { describe, expect, test } from 'vitest';
import { day } from '../../../tests/support/plans';
import { corrected, datesInText } from './datesInText';

const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
const later = (date: ReturnType<typeof day>) => date.add({ days: 112 });
const instead = (text: string) => corrected(text, datesInText(text, term, later));

describe('a date in words is written in its own form', () => {
  test.each([
    ['Due Fri 16 Oct', 'Due Fri 5 Feb'],
    ['due Friday, 16 October 2026.', 'due Friday 5 February 2027.'],
    ['by October 16th', 'by February 5'],
    ['Oct 16, 2026', 'Feb 5, 2027'],
    ['<p>See you on 8 Sept!</p>', '<p>See you on 29 Dec!</p>'],
    ['16 Oct and 23 Oct, then 16 Oct again', '5 Feb and 12 Feb, then 5 Feb again'],
    ['1 Oct to 11 Oct', '21 Jan to 31 Jan'],
  ])('%s', (text, expected) => expect(instead(text)).toBe(expected));
});

describe('what is no date of the term stays', () => {
  test.each(['32 Oct', '31 November', '4 July', '16 Oct 2019', 'Chapter 10, 11', 'may 3 of you come']) // prettier-ignore
  ('%s', (text) => expect(instead(text)).toBe(text));
});
