import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { HL, IVO, NOW, NV, ODA, assignment, at, day, staff, student } from '../../../tests/support/plans';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import type { AssignmentEntry, Extension } from './entry';
import { ownBoundaries, ownDatesOf } from './ownDates';
import { pacingLine } from './pacingLine';
import { seenBy } from './seenBy';
import { visibilityFor } from './visibility';

const started = (on: string, person = IVO, course = HL) => ({ person, course, on: day(on), said: NOW });
const paced = (changes: Partial<AssignmentEntry> = {}) =>
  assignment({ due: at('2026-12-04T17:00'), closes: undefined, setOn: undefined, pacing: { unit: 'days', count: 14 }, starts: [started('2026-10-01')], ...changes }); // prettier-ignore
const given = (changes: Partial<Extension> = {}): Extension => ({ person: IVO, name: '', due: at('2026-12-08T17:00'), ...changes }); // prettier-ignore
const dueOf = (entry: AssignmentEntry) => {
  const due = ownDatesOf(entry, IVO)?.due;
  return due && momentText(due);
};

describe('a due date by one’s own start', () => {
  test.each<[string, Partial<AssignmentEntry>, string | undefined]>([
    ['lies so many days after it, at the time of all', {}, '2026-10-15T17:00'],
    ['or at the end of a week counted from it', { pacing: { unit: 'weeks', count: 2 } }, '2026-10-14T17:00'],
    ['of a whole day, is a day', { due: day('2026-12-04') }, '2026-10-15'],
    ['is never after the last day', { starts: [started('2026-12-01')] }, '2026-12-04T17:00'],
    ['nor before it is set', { setOn: day('2026-10-20') }, '2026-10-20T17:00'],
    ['nor before it opens', { opens: at('2026-10-21T09:00') }, '2026-10-21T17:00'],
    ['of several courses, the first counts', { audience: [{ course: HL }, { course: NV }], starts: [started('2026-10-05'), started('2026-10-01', IVO, NV)] }, '2026-10-15T17:00'],
    ['a start in a course that it is not for does not', { starts: [started('2026-10-01', IVO, NV)] }, undefined],
    ['nor somebody else’s', { starts: [started('2026-10-01', ODA)] }, undefined],
    ['keeps the hour where the clocks change', { pacing: { unit: 'days', count: 40 } }, '2026-11-10T17:00'],
    ['what was given singly goes before', { extensions: [given()] }, '2026-12-08T17:00'],
    ['what was arranged for all work comes on top', { extensions: [given({ arranged: true })] }, '2026-10-19T17:00'],
    ['as far as its own last day', { extensions: [given({ arranged: true })], starts: [started('2026-12-01')] }, '2026-12-08T17:00'],
    ['without a pace there is none', { pacing: undefined }, undefined],
  ])('%s', (_, changes, expected) => expect(dueOf(paced(changes))).toBe(expected)); // prettier-ignore
});

test('is seen by its student as theirs, by the others as the last day, by the staff with a number', () => {
  const entry = paced();
  const own = seenBy(student(), entry, NOW);
  expect(own?.kind === 'assignment' && momentText(own.due)).toBe('2026-10-15T17:00');
  expect(own?.kind === 'assignment' && pacingLine(own, 'en-GB')).toMatch(/^14 days after your start on .*1 Oct.*; the last day is .*4 Dec/); // prettier-ignore
  const other = seenBy(student(ODA), entry, NOW);
  expect(other?.kind === 'assignment' && momentText(other.due)).toBe('2026-12-04T17:00');
  const teaching = seenBy(staff(HL), entry, NOW);
  expect(teaching?.kind === 'assignment' && [teaching.starts, teaching.begunCount]).toEqual([undefined, 1]);
  expect(JSON.stringify(teaching)).not.toContain(IVO);
});

test('what is shown some days before is shown so many before one’s own date', () => {
  const zone = requireZone('America/Halifax');
  const entry = paced({
    visibility: visibilityFor({ kind: 'before', days: 3 }, at('2026-12-04T17:00'), zone),
  });
  expect(ownBoundaries(entry).map(String)).toEqual(['2026-10-12T03:00:00Z']);
  expect(seenBy(student(), entry, NOW)?.id).toBe(entry.id);
  expect(seenBy(student(), entry, Temporal.Instant.from('2026-10-12T02:59:59Z'))).toBeUndefined();
  expect(seenBy(student(ODA), entry, NOW)).toBeUndefined();
});

test('a feed learns that the date is another since it was said', () => {
  const said = NOW.add({ hours: 1 });
  const own = ownDatesOf(paced({ starts: [{ ...started('2026-10-01'), said }] }), IVO);
  expect(String(own?.lastModified)).toBe(String(said));
});
