import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { guardianState, isAdult } from './guardian';

test.each([
  ['adults', true, true],
  ['minors', false, false],
  ['mixed', true, false],
  ['mixed', false, true],
] as const)('where students are %s, with the mark %s: adult is %s', (students, minor, adult) =>
  expect(isAdult(students, minor)).toBe(adult),
);

const day = (text: string) => Temporal.PlainDate.from(text);
const TERMS = [
  { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') },
  { startsOn: day('2027-01-11'), endsOn: day('2027-04-30') },
];
test.each([
  ['open in a term', { today: '2026-10-13' }, 'open'],
  ['open on its last day', { today: '2026-12-18' }, 'open'],
  ['asleep after it', { today: '2026-12-19' }, 'asleep'],
  ['open again in the next', { today: '2027-01-11' }, 'open'],
  ['asleep without a course', { today: '2026-10-13', terms: [] }, 'asleep'],
  ['suspended once the child is adult', { today: '2026-10-13', adult: true }, 'suspended'],
  ['open once the adult has agreed', { today: '2026-10-13', adult: true, asAdult: true }, 'open'],
  ['ended, whatever else holds', { today: '2026-10-13', adult: true, ended: true }, 'ended'],
] as const)('%s', (_, given, state) => {
  const { today, adult = false, asAdult = false, ended = false, terms = TERMS } = given as Readonly<{ today: string; adult?: boolean; asAdult?: boolean; ended?: boolean; terms?: typeof TERMS }>; // prettier-ignore
  expect(guardianState({ ended, asAdult }, { adult, terms, today: day(today) })).toBe(state);
});
