import { describe, expect, test } from 'vitest';
import { HL, NOW, NV, SECTION_A, at, event, staff, student } from '../../../tests/support/plans';
import type { SectionId } from '../ids';
import type { Entry, Visibility } from './entry';
import { seenBy } from './seenBy';
import type { Viewer } from './viewer';

const B = 'b' as SectionId;
const everyone: Viewer = { kind: 'public', courses: new Set([HL]), sections: new Set() };
const roster = (...sections: SectionId[]): Viewer => ({
  kind: 'roster',
  courses: new Set([HL]),
  sections: new Set(sections),
});
const sees = (viewer: Viewer, entry: Entry) => seenBy(viewer, entry, NOW) !== undefined;
const from = (hours: number): Visibility => ({
  kind: 'from',
  from: at('2026-10-13T09:00'),
  at: NOW.add({ hours }),
});

describe('an entry for the whole course', () => {
  test.each<[string, Viewer, boolean]>([
    ['its staff', staff(HL), true],
    ['staff of another course', staff(NV), false],
    ['a student of it', student(), true],
    ['a student without a section', student(undefined, undefined), true],
    ['the public outlet of it', everyone, true],
    ['an outlet of another course', { kind: 'public', courses: new Set([NV]), sections: new Set() }, false],
  ])('is seen by %s: %s', (_, viewer, expected) => expect(sees(viewer, event())).toBe(expected));
});

describe('an entry for section A', () => {
  const forA = event({ audience: [{ course: HL, sections: [SECTION_A] }] });
  test.each<[string, Viewer, boolean]>([
    ['its staff', staff(HL), true],
    ['a student of A', student(), true],
    ['a student of B', student(undefined, B), false],
    ['a student without a section', { ...student(), memberOf: new Map([[HL, undefined]]) }, false],
    ['a public outlet without sections', everyone, false],
    ['a roster outlet with A ticked', roster(SECTION_A), true],
    ['a roster outlet with B ticked', roster(B), false],
  ])('is seen by %s: %s', (_, viewer, expected) => expect(sees(viewer, forA)).toBe(expected));
});

describe('when students begin to see it', () => {
  test.each<[string, Visibility, boolean, string]>([
    ['a draft', { kind: 'draft' }, false, 'draft'],
    ['visible', { kind: 'visible' }, true, 'shown'],
    ['from an hour ago', from(-1), true, 'shown'],
    ['from this very moment', from(0), true, 'shown'],
    ['from in an hour', from(1), false, 'notYet'],
  ])('%s', (_, visibility, shown, release) => {
    const entry = event({ visibility });
    expect(sees(student(), entry)).toBe(shown);
    expect(sees(everyone, entry)).toBe(shown);
    expect(seenBy(staff(HL), entry, NOW)?.release).toBe(release);
  });
});

test('what is for the staff only is gone from what others see', () => {
  const links = [
    { url: 'https://x.example/1', label: 'Handout', staffOnly: false },
    { url: 'https://x.example/2', label: 'Key', staffOnly: true },
  ];
  expect(seenBy(staff(HL), event({ links }), NOW)?.links).toHaveLength(2);
  expect(seenBy(student(), event({ links }), NOW)?.links).toEqual([links[0]]);
});

test('courses that a viewer has nothing to do with are gone from the audience, and that is said', () => {
  const entry = event({ audience: [{ course: HL }, { course: NV }] });
  expect(seenBy(staff(HL), entry, NOW)).toMatchObject({ audience: [{ course: HL }], whole: false });
  expect(seenBy(staff(HL, NV), entry, NOW)).toMatchObject({ whole: true });
});
