import { expect, test } from 'vitest';
import { assignment, at } from '../../../tests/support/plans';
import { lateLines } from './lateLines';

const due = at('2026-10-15T17:00');

test.each([
  ['nothing where nothing is said', {}, []],
  ['that late work is not taken', { lateWork: 'refused' }, ['No late work.']],
  ['that it is taken, without an end', { lateWork: 'taken' }, ['Late work is taken.']],
  ['until when, where it closes later', { lateWork: 'taken', closes: at('2026-10-18T17:00') }, ['Late work is taken until Sun 18 Oct, 17:00.']],
  ['no end that is the due time itself', { lateWork: 'taken', closes: due }, ['Late work is taken.']],
  ['whether it may be handed in again, and the words beside', { handInAgain: true, latePolicy: 'Ask first.' }, ['It may be handed in again.', 'Ask first.']],
  ['that once is all', { handInAgain: false }, ['It is handed in once.']],
] as const)('says %s', (_, facts, lines) => {
  expect(lateLines(assignment({ due, ...facts }), 'en-GB')).toEqual(lines);
}); // prettier-ignore
