import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  NV,
  ODA,
  SECTION_A,
  assignment,
  at,
  day,
  event,
  instant,
  staff,
  student,
} from '../../../tests/support/plans';
import type { SectionId } from '../ids';
import type { Entry, Visibility } from './entry';
import { seenBy } from './seenBy';
import { hiddenAfterOf, visibilityFor } from './visibility';
import { requireZone } from '../time/zoneData';
import type { Viewer } from './viewer';

const B = 'b' as SectionId;
const everyone: Viewer = {
  kind: 'public',
  courses: new Set([HL]),
  sections: new Set(),
  calendars: new Set(),
  meetingLinks: false,
};
const roster = (...sections: SectionId[]): Viewer => ({
  kind: 'roster',
  courses: new Set([HL]),
  sections: new Set(sections),
  calendars: new Set(),
  meetingLinks: false,
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
    [
      'an outlet of another course',
      {
        kind: 'public',
        courses: new Set([NV]),
        sections: new Set(),
        calendars: new Set(),
        meetingLinks: false,
      },
      false,
    ],
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
  expect(seenBy(staff(HL), event({ links }), NOW)).toMatchObject({ links });
  expect(seenBy(student(), event({ links }), NOW)).toMatchObject({ links: [links[0]] });
});

test('a private note is seen by its author, and by nobody else whatever they teach', () => {
  const note = { kind: 'note', id: 'n', uid: 'n', title: 'Mine', description: '', tzid: 'America/Halifax', sequence: 0, created: NOW, lastModified: NOW, on: day('2026-10-13'), author: IVO } as unknown as Entry; // prettier-ignore
  expect(seenBy(student(IVO), note, NOW)).toMatchObject({ title: 'Mine' });
  expect(seenBy(student(ODA), note, NOW)).toBeUndefined();
  expect(seenBy(staff(HL, NV), note, NOW)).toBeUndefined();
  expect(seenBy(everyone, note, NOW)).toBeUndefined();
});

test('an extended due time is the student’s own: they see it as due, the staff see whose it is, others the common one', () => {
  const extended = at('2026-10-20T17:00');
  const entry = assignment({ extensions: [{ person: IVO, name: 'Ivo Saltmarsh', due: extended }] });
  expect(seenBy(student(IVO), entry, NOW)).toMatchObject({ due: extended, extended: true, extensions: [] });
  expect(seenBy(student(ODA), entry, NOW)).toMatchObject({ due: entry.due, extensions: [] });
  expect(seenBy(everyone, entry, NOW)).toMatchObject({ due: entry.due, extensions: [] });
  expect(seenBy(staff(HL), entry, NOW)).toMatchObject({
    due: entry.due,
    extensions: [{ name: 'Ivo Saltmarsh' }],
  });
});

test('who is coming: the staff read names, a student their own answer and the count, the public the count', () => {
  const replies = [
    { person: IVO, name: 'Ivo Saltmarsh', answer: 'coming' as const },
    { person: ODA, name: 'Oda Tarn', answer: 'notSure' as const },
  ];
  const entry = event({ coming: { seats: 4, replies }, meetingLink: 'https://meet.example/1' });
  expect(seenBy(staff(HL), entry, NOW)).toMatchObject({ coming: { replies }, comingCount: 1 });
  expect(seenBy(student(IVO), entry, NOW)).toMatchObject({
    coming: { replies: [replies[0]] },
    comingCount: 1,
  });
  expect(seenBy(everyone, entry, NOW)).toMatchObject({
    coming: { replies: [] },
    comingCount: 1,
    meetingLink: '',
  });
});

test('some days before, and hidden after: students see it in between', () => {
  const halifax = requireZone('America/Halifax');
  const entry = assignment({
    due: at('2026-10-20T17:00'),
    visibility: visibilityFor({ kind: 'before', days: 7 }, at('2026-10-20T17:00'), halifax),
    hiddenAfter: hiddenAfterOf(at('2026-10-21T12:00'), halifax),
  });
  const seen = (text: string) => seenBy(student(), entry, instant(text))?.release;
  expect([seen('2026-10-12T23:59'), seen('2026-10-13T00:00'), seen('2026-10-21T11:59'), seen('2026-10-21T12:00')]).toEqual([undefined, 'shown', 'shown', undefined]); // prettier-ignore
  expect(seenBy(staff(HL), entry, instant('2026-10-22T12:00'))?.release).toBe('over');
});

test('courses that a viewer has nothing to do with are gone from the audience, and that is said', () => {
  const entry = event({ audience: [{ course: HL }, { course: NV }] });
  expect(seenBy(staff(HL), entry, NOW)).toMatchObject({ audience: [{ course: HL }], whole: false });
  expect(seenBy(staff(HL, NV), entry, NOW)).toMatchObject({ whole: true });
});
