import { describe, expect, test } from 'vitest';
import {
  NOW,
  SECTION_A,
  assignment,
  at,
  course,
  day,
  meeting,
  plan,
  staff,
  student,
  time,
  HL,
} from '../../../tests/support/plans';
import type { MeetingId, SectionId } from '../ids';
import { occurrencesOf } from '../plan/occurrences';
import { seenPlan } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { classDates, detached, withClassDates } from './classDates';
import type { AssignmentEntry } from './entry';
import type { Viewer } from './viewer';

const SECTION_B = 'b' as SectionId;
const classOn = (id: string, ordinal: number, date: string, start = '10:00', end = '11:15') =>
  meeting({ id: id as MeetingId, key: date, ordinal, date: day(date), start: time(start), end: time(end) });
const sectionA = { id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [classOn('a11', 11, '2026-10-13'), classOn('a12', 12, '2026-10-15')] }; // prettier-ignore
const sectionB = { id: SECTION_B, name: 'B', students: 18, patterns: [], meetings: [classOn('b11', 11, '2026-10-14', '14:00', '15:15')] }; // prettier-ignore
const both = course({ sections: [sectionA, sectionB] });
const alone = course({ sections: [sectionA] });

const bound = (atClass: AssignmentEntry['atClass'], changes: Partial<AssignmentEntry> = {}) =>
  assignment({ setOn: undefined, due: at('2026-10-01T09:00'), atClass, ...changes });
const dueOf = (entry: AssignmentEntry) => momentText(entry.due);

describe('a due time that follows a class', () => {
  test.each([
    ['at its start', { ordinal: 12, edge: 'start' as const }, '2026-10-15T10:00'],
    ['at its end', { ordinal: 12, edge: 'end' as const }, '2026-10-15T11:15'],
    ['that a slide gave another number in this section', { ordinal: 12, edge: 'start' as const, sections: { [SECTION_A]: 11 } }, '2026-10-13T10:00'],
    ['that is not there stays where it was', { ordinal: 40, edge: 'start' as const }, '2026-10-01T09:00'],
  ])('%s', (_, due, expected) => expect(dueOf(withClassDates(bound({ due }), [alone]))).toBe(expected)); // prettier-ignore

  test('a set day is the day of its class', () => {
    const entry = withClassDates(bound({ setOn: { ordinal: 11, edge: 'start' } }), [alone]);
    expect(entry.setOn?.toString()).toBe('2026-10-13');
  });

  test('what has no such class is named', () => {
    const { missing } = classDates({ due: { ordinal: 40, edge: 'start' }, setOn: { ordinal: 11, edge: 'start' } }, {}, { audience: [{ course: HL }], courses: [alone], tzid: 'America/Halifax' }); // prettier-ignore
    expect(missing).toEqual(['due']);
  });

  test('of two sections each has its own; one without the class goes by the first', () => {
    const of = (ordinal: number) => withClassDates(bound({ due: { ordinal, edge: 'start' } }), [both]);
    expect(of(11).sectionDates?.map((d) => `${d.name} ${momentText(d.due)}`)).toEqual(['A 2026-10-13T10:00', 'B 2026-10-14T14:00']); // prettier-ignore
    expect(of(12).sectionDates).toBeUndefined();
    expect(dueOf(of(12))).toBe('2026-10-15T10:00');
  });

  test('is said of the sections that an audience names, and of no other', () => {
    const entry = bound({ due: { ordinal: 11, edge: 'start' } }, { audience: [{ course: HL, sections: [SECTION_B] }] }); // prettier-ignore
    expect(dueOf(withClassDates(entry, [both]))).toBe('2026-10-14T14:00');
  });

  test('no longer follows once it is detached', () => {
    const entry = bound({ due: { ordinal: 11, edge: 'start' }, setOn: { ordinal: 11, edge: 'start' } });
    expect(detached(entry, ['due']).atClass).toEqual({ setOn: { ordinal: 11, edge: 'start' } });
    expect(detached(entry, ['due', 'setOn']).atClass).toBeUndefined();
  });
});

describe('who sees which date', () => {
  const entry = withClassDates(bound({ setOn: { ordinal: 11, edge: 'start' }, due: { ordinal: 11, edge: 'start' } }), [both]); // prettier-ignore
  const lines = (viewer: Viewer) =>
    occurrencesOf(seenPlan(viewer, plan({ courses: [both], entries: [entry] }), NOW), requireZone)
      .filter((o) => o.kind === 'due' || o.kind === 'set')
      .map((o) => `${o.kind} ${o.title} ${momentText(o.start)} ${o.uid}`);

  test.each<[string, Viewer, string[]]>([
    ['a student of A', student(), ['set Body plan 2026-10-13 uid-w1-set', 'due Body plan 2026-10-13T10:00 uid-w1']],
    ['a student of B', student(undefined, SECTION_B), ['set Body plan 2026-10-14 uid-w1-set', 'due Body plan 2026-10-14T14:00 uid-w1']],
    ['staff see both', staff(HL), [
      'set Body plan (A) 2026-10-13 uid-w1-set',
      'due Body plan (A) 2026-10-13T10:00 uid-w1',
      'set Body plan (B) 2026-10-14 uid-w1-set-b',
      'due Body plan (B) 2026-10-14T14:00 uid-w1-b',
    ]],
    ['an outlet for B alone', { kind: 'roster', courses: new Set([HL]), sections: new Set([SECTION_B]), calendars: new Set(), meetingLinks: false }, ['set Body plan 2026-10-14 uid-w1-set', 'due Body plan 2026-10-14T14:00 uid-w1']],
  ])('%s', (_, viewer, expected) => expect(lines(viewer)).toEqual(expected)); // prettier-ignore
});
