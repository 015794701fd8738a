import { describe, expect, test } from 'vitest';
import type { KnownMember } from './compareRoster';
import { compareRoster, likelySections } from './compareRoster';

const student = (n: number, changes: object = {}) => ({ sourcedId: `u${n}`, name: `Name ${n}`, email: `n${n}@s.example`, ...changes }); // prettier-ignore
const member = (n: number, changes: Partial<KnownMember> = {}): KnownMember => ({ ...student(n), section: 'A', correctable: true, ...changes }); // prettier-ignore
const states = (listed: ReturnType<typeof student>[], members: KnownMember[], section = 'A') =>
  compareRoster(
    listed.map((s) => ({ student: s, section })),
    members,
  ).lines.map(({ state }) => state);

describe('somebody on a list', () => {
  test.each([
    ['is new', [], 'new'],
    ['is known by the school’s name for them', [member(1)], 'same'],
    ['is known by the address alone: what the school calls them is for the school to say', [member(1, { sourcedId: undefined })], 'same'], // prettier-ignore
    ['has another address, and may be corrected', [member(1, { email: 'old@s.example' })], 'changed'],
    ['has another address, which is their own', [member(1, { email: 'old@s.example', correctable: false })], 'same'], // prettier-ignore
    ['is in another section', [member(1, { section: 'B' })], 'changed'],
  ])('%s', (_, members, expected) => expect(states([student(1)], members)).toEqual([expected]));
});

test('what a list may not say is proposed; what the school calls somebody, its own list says', () => {
  const own = member(1, { name: 'Other', correctable: false, sourcedId: undefined });
  const listed = [{ student: student(1), section: 'A' }];
  expect(compareRoster(listed, [own]).lines).toMatchObject([{ state: 'same', proposes: true }]);
  expect(compareRoster(listed, [own], { official: true }).lines).toMatchObject([{ state: 'changed', proposes: true }]); // prettier-ignore
  expect(compareRoster(listed, [member(1)]).lines).toMatchObject([{ state: 'same', proposes: false }]);
});

test('who came from a list and is on it no more is named; who was added by hand is not', () => {
  const { left } = compareRoster([{ student: student(1), section: 'A' }], [member(1), member(2), member(3, { sourcedId: undefined })]); // prettier-ignore
  expect(left.map(({ name }) => name)).toEqual(['Name 2']);
});

test('a class is taken for the section that its code or title names', () => {
  const classes = [
    { sourcedId: 'c1', code: 'HL210-A', title: 'Hull lofting', students: [] },
    { sourcedId: 'c2', code: '', title: 'HL 210 B', students: [] },
    { sourcedId: 'c3', code: 'NV 140', title: 'Coastal navigation', students: [] },
    { sourcedId: 'c4', code: 'HL 210', title: 'Hull lofting', students: [] },
  ];
  const sections = [
    { id: 'a', name: 'A' },
    { id: 'b', name: 'B' },
  ];
  expect(likelySections(classes, { code: 'HL 210', sections })).toEqual({ c1: 'a', c2: 'b' });
  expect(likelySections(classes, { code: 'NV 140', sections: [{ id: 'x', name: 'A' }] })).toEqual({
    c3: 'x',
  });
});
