import { describe, expect, test } from 'vitest';
import { IVO, NOW, assignment, at, day, student } from '../../../tests/support/plans';
import { momentText } from '../time/zonedWall';
import type { AssignmentEntry, Extension } from './entry';
import { extendedBoundaries, extendedDates } from './extendedDates';
import { seenBy } from './seenBy';
import { hiddenAfterOf } from './visibility';
import { requireZone } from '../time/zoneData';

const zone = requireZone('America/Halifax');
const hidden = (text: string) => hiddenAfterOf(at(text), zone);
const work = (changes: Partial<AssignmentEntry> = {}) =>
  assignment({ due: at('2026-10-14T17:00'), closes: at('2026-10-14T17:00'), setOn: undefined, ...changes });
const extension = (changes: Partial<Extension> = {}): Extension => ({ person: IVO, name: '', due: at('2026-10-16T17:00'), ...changes }); // prettier-ignore
const textOf = (entry: AssignmentEntry, given: Extension) => {
  const { due, closes, hiddenAfter } = extendedDates(entry, given);
  return [due, closes, hiddenAfter?.wall].map((moment) => (moment ? momentText(moment) : '-')).join(' ');
};

describe('what an extension comes to', () => {
  test.each<[string, AssignmentEntry, Extension, string]>([
    ['closing goes along by as many days', work({ closes: at('2026-10-15T12:00') }), extension(), '2026-10-16T17:00 2026-10-17T12:00 -'],
    ['a day that closes goes along, too', work({ closes: day('2026-10-14') }), extension(), '2026-10-16T17:00 2026-10-16 -'],
    ['it never closes before it is due', work({ closes: at('2026-10-14T17:00') }), extension({ due: at('2026-10-16T18:00') }), '2026-10-16T18:00 2026-10-16T18:00 -'],
    ['what is said goes before', work(), extension({ closes: at('2026-10-20T09:00') }), '2026-10-16T17:00 2026-10-20T09:00 -'],
    ['what never closes still does not', work({ closes: undefined }), extension(), '2026-10-16T17:00 - -'],
    ['it is seen as many days longer', work({ hiddenAfter: hidden('2026-10-15T23:59') }), extension(), '2026-10-16T17:00 2026-10-16T17:00 2026-10-17T23:59'],
    ['and until then at least', work({ closes: undefined, hiddenAfter: hidden('2026-10-01T08:00') }), extension(), '2026-10-16T17:00 - 2026-10-16T17:00'],
    ['an earlier date takes nothing back from the others', work({ closes: at('2026-10-15T12:00') }), extension({ due: at('2026-10-12T17:00') }), '2026-10-12T17:00 2026-10-15T12:00 -'],
  ])('%s', (_, entry, given, expected) => expect(textOf(entry, given)).toBe(expected)); // prettier-ignore
});

test('a student who has until Friday does not read that it closes on Wednesday, and sees it until then', () => {
  const entry = work({ hiddenAfter: hidden('2026-10-13T08:00'), extensions: [extension()] });
  const now = NOW.add({ hours: 1 });
  expect(seenBy(student(), { ...entry, extensions: [] }, now)).toBeUndefined();
  const seen = seenBy(student(), entry, now);
  expect(seen).toMatchObject({ extended: true, release: 'shown', extensions: [] });
  expect(seen?.kind === 'assignment' && momentText(seen.closes!)).toBe('2026-10-16T17:00');
  expect(extendedBoundaries(entry).map(String)).toEqual(['2026-10-16T20:00:00Z']);
});
