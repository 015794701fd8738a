import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compareMembers, membersOfPage, nextPage } from './members';

const LEARNER = 'http://purl.imsglobal.org/vocab/lis/v2/membership#Learner';

test.each([
  [undefined, undefined],
  ['<https://a.example/m?page=2>; rel="next"', 'https://a.example/m?page=2'],
  ['<https://a.example/m?page=2>; rel=next', 'https://a.example/m?page=2'],
  ['<https://a.example/1>; rel="prev", <https://a.example/3>; rel="next"', 'https://a.example/3'],
  ['<https://a.example/3>; rel="last next"; title="more"', 'https://a.example/3'],
  ['<https://a.example/d>; rel="differences"', undefined],
  ['<https://a.example/n>; rel="nextish"', undefined],
  ['<https://a.example/a,b>; rel="next"', 'https://a.example/a,b'],
])('%s leads to %s (RFC 8288, 3)', (link, next) => {
  expect(nextPage(link)).toBe(next);
});

test('a page of members is read; who is no longer active, and what is none, is left out', () => {
  const members = [
    { user_id: 'a', given_name: ' Linnea ', family_name: 'Brask', email: 'L@Kittiwake.example', roles: [LEARNER] },
    { user_id: 'b', status: 'Deleted', roles: [LEARNER] },
    { name: 'Nobody' },
    { user_id: 'c', email: 'no address', roles: ['elsewhere'] },
  ]; // prettier-ignore
  expect(membersOfPage({ members })).toEqual([
    { subject: 'a', role: 'takes', name: 'Linnea Brask', email: 'l@kittiwake.example' },
    { subject: 'c' },
  ]);
  expect(membersOfPage({ member: [] })).toBeUndefined();
  expect(membersOfPage('<p>')).toBeUndefined();
});

/** Small worlds in which the same people turn up on both sides. */
const subject = fc.constantFrom('a', 'b', 'c', 'd');
const listed = fc.array(
  fc.record({ subject, role: fc.constantFrom('takes' as const, 'teaches' as const), email: fc.option(subject.map((s) => `${s}@x.example`), { nil: undefined }) }),
  { maxLength: 6 },
); // prettier-ignore
const roster = fc.uniqueArray(
  fc.record({
    person: fc.constantFrom('p1', 'p2', 'p3', 'p4', 'p5'),
    email: fc.constantFrom('a@x.example', 'b@x.example', 'e@x.example'),
    subject: fc.option(subject, { nil: undefined }),
    section: fc.constantFrom('A', 'B'),
  }),
  { selector: ({ person }) => person, maxLength: 5 },
);

test('nobody is gone who is listed, who never came from the site, or who is in another section', () => {
  fc.assert(
    fc.property(listed, roster, fc.option(fc.constantFrom('A', 'B'), { nil: undefined }), (list, members, section) => {
      const { added, present, moved, gone } = compareMembers(list, members, section);
      const students = list.filter(({ role }) => role === 'takes');
      for (const person of gone) {
        const member = members.find((one) => one.person === person)!;
        expect(member.subject).toBeDefined();
        expect(present).not.toContain(person);
        if (section) expect(member.section).toBe(section);
      }
      for (const person of moved) expect(present).toContain(person);
      for (const one of added) expect(students.map((student) => student.subject)).toContain(one.subject);
      // Everybody listed as a student is new or there, once.
      expect(new Set(added.map((one) => one.subject)).size).toBe(added.length);
      expect(present.length + added.length).toBeLessThanOrEqual(new Set(students.map((student) => student.subject)).size + members.length);
      if (students.length === 0) expect(gone).toEqual(members.filter((one) => one.subject && (!section || one.section === section)).map((one) => one.person));
    }),
  );
}); // prettier-ignore
