import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { HL, IVO, MAREN, NV, SECTION_A } from '../../../tests/support/plans';
import type { CourseId, PersonId, SectionId } from '../ids';
import type { Act } from './acts';
import { ACTS } from './acts';
import type { Subject } from './may';
import { may } from './may';
import type { Actor, Role } from './role';
import { reverseOf, undoOf } from './undoing';

const SECTION_B = 'b' as SectionId;
type Place = Readonly<{ course?: CourseId; role: Role; sections?: readonly SectionId[] }>;

const actor = (places: readonly Place[], { id = MAREN, isAdmin = false }: { id?: PersonId; isAdmin?: boolean } = {}): Actor => {
  const at = (...roles: Role[]) => places.filter(({ role }) => roles.includes(role)).map(({ course = HL }) => course);
  return {
    person: { id, isAdmin },
    viewer: {
      kind: 'person',
      id,
      staffOf: new Set(at('instructor', 'co')),
      instructs: new Set(at('instructor')),
      helps: new Map(
        places
          .filter(({ role }) => role === 'assistant' || role === 'substitute')
          .map(({ course = HL, role, sections }) => [course, { role: role as 'assistant', ...(sections ? { sections: new Set(sections) } : {}) }]),
      ),
      memberOf: new Map(at('student').map((course) => [course, undefined])),
      groups: new Set(),
    },
  };
}; // prettier-ignore
const HULL: Subject = { parts: [{ course: HL }] };
const says = (who: Actor, act: Act, subject: Subject = HULL) => may(who, act, subject).ok;

const COLUMNS = [
  'instructor',
  'co',
  'assistant',
  'substitute',
  'student',
  'administrator',
  'nobody',
] as const;
const asColumn = (column: (typeof COLUMNS)[number]) =>
  column === 'administrator' ? actor([], { isAdmin: true }) : column === 'nobody' ? actor([]) : actor([{ role: column }]); // prettier-ignore

/** The table, written out once more by hand: acts against roles, in the order of the columns. */
const TABLE: readonly (readonly [Act, string])[] = [
  ['planEntry', 'yes yes no no no no no'],
  ['changeEntry', 'yes yes no no no no no'],
  ['deleteEntry', 'yes yes no no no no no'],
  ['slidePlans', 'yes yes no no no no no'],
  ['cancelEntry', 'yes yes no yes no no no'],
  ['callOffClass', 'yes yes no yes no no no'],
  ['changeMeeting', 'yes yes no no no no no'],
  ['tellChange', 'yes yes no yes no no no'],
  ['publish', 'yes yes no no no no no'],
  ['replaceAddress', 'yes yes no no no no no'],
  ['offerTimes', 'yes yes yes no no no no'],
  ['cancelDays', 'yes yes yes yes no no no'],
  ['beAway', 'yes yes yes yes no no no'],
  ['bookFor', 'yes yes yes no no no no'],
  ['writeToThoseWhoCome', 'yes yes yes yes no no no'],
  ['writeToStudents', 'yes yes no no no no no'],
  ['allowQuestions', 'yes yes no no no no no'],
  ['answerQuestion', 'yes yes yes yes no no no'],
  ['askQuestion', 'no no no no yes no no'],
  ['issueGuardian', 'no no no no no yes no'],
  ['agreeToGuardian', 'no no no no no no no'],
  ['barGuardian', 'no no no no no yes no'],
  ['changeStaff', 'yes no no no no yes no'],
  ['handOver', 'yes no no no no yes no'],
  ['deleteCourse', 'yes no no no no yes no'],
  ['importRoster', 'yes yes no no no yes no'],
  ['addStudents', 'yes yes no no no no no'],
  ['addTerm', 'no no no no no yes no'],
  ['bringTable', 'no no no no no yes no'],
  ['deleteTerm', 'no no no no no yes no'],
  ['changeAdministrators', 'no no no no no yes no'],
  ['takeTime', 'no no no no no no no'],
];

describe('who may do what to a course', () => {
  test.each(TABLE)('%s', (act, expected) =>
    expect(COLUMNS.map((column) => (says(asColumn(column), act) ? 'yes' : 'no')).join(' ')).toBe(expected),
  );
});

describe('an act about two courses', () => {
  const both: Subject = { parts: [{ course: HL }, { course: NV }] };
  test.each<[string, readonly Place[], boolean]>([
    ['is nobody’s who teaches one of them', [{ role: 'instructor' }], false],
    ['is theirs who teaches both', [{ role: 'instructor' }, { role: 'co', course: NV }], true],
    [
      'is nobody’s who helps in one of them',
      [{ role: 'instructor' }, { role: 'assistant', course: NV }],
      false,
    ],
  ])('%s', (_, places, expected) => expect(says(actor(places), 'changeEntry', both)).toBe(expected));
});

describe('who helps in some sections', () => {
  const substitute = actor([{ role: 'substitute', sections: [SECTION_A] }]);
  test.each<[string, readonly SectionId[] | undefined, boolean]>([
    ['calls off there', [SECTION_A], true],
    ['not in others', [SECTION_B], false],
    ['not in several at once', [SECTION_A, SECTION_B], false],
    ['not for the whole course', undefined, false],
  ])('%s', (_, sections, expected) =>
    expect(says(substitute, 'callOffClass', { parts: [{ course: HL, sections }] })).toBe(expected),
  );
});

describe('what is one’s own', () => {
  const student = actor([{ role: 'student' }], { id: IVO });
  test.each<[string, Actor, Act, Subject, boolean]>([
    ['a student takes a time for themselves', student, 'takeTime', { ...HULL, owner: IVO }, true],
    ['makes a token', student, 'makeToken', { parts: [], owner: IVO }, true],
    ['ends nobody else’s', student, 'endToken', { parts: [], owner: MAREN }, false],
    ['nor agrees to an address for oneself', student, 'approveWebhook', { parts: [], owner: IVO }, false],
    ['begins a course', student, 'beginCourse', { ...HULL, owner: IVO }, true],
    ['which its staff do not for them', actor([{ role: 'instructor' }]), 'beginCourse', { ...HULL, owner: IVO }, false],
    ['not for another', student, 'takeTime', { ...HULL, owner: MAREN }, false],
    ['nor off the roster', actor([], { id: IVO }), 'takeTime', { ...HULL, owner: IVO }, false],
    ['one’s settings', actor([], { id: IVO }), 'changeOwnSettings', { parts: [], owner: IVO }, true],
    ['one’s guardians', actor([], { id: IVO }), 'issueGuardian', { parts: [], owner: IVO }, true],
    ['nobody else’s guardians', actor([], { id: IVO }), 'endGuardian', { parts: [], owner: MAREN }, false],
    ['nobody else’s', actor([], { id: IVO }), 'changeOwnSettings', { parts: [], owner: MAREN }, false],
    ['what is about no course is not the staff’s', actor([{ role: 'instructor' }]), 'changeEntry', { parts: [] }, false],
  ])('%s', (_, who, act, subject, expected) => expect(says(who, act, subject)).toBe(expected)); // prettier-ignore
});

describe('undoing', () => {
  test('is the act that it comes to, and undoing that is the act itself', () => {
    expect(reverseOf('takeTime')).toEqual(['giveBack', 'cancelTime']);
    expect(reverseOf(undoOf('takeTime'))).toEqual(['takeTime']);
    expect(reverseOf('addCoInstructor')).toEqual(['changeStaff']);
    expect(reverseOf('passOnOffers')).toEqual([]);
    expect(reverseOf('whatever')).toEqual([]);
  });

  test('whoever has lost every role may undo nothing about a course', () => {
    const acts = Object.keys(ACTS);
    fc.assert(
      fc.property(fc.constantFrom(...acts), fc.boolean(), (act, own) => {
        const gone = actor([], { id: IVO });
        const subject: Subject = { parts: [{ course: HL, sections: [] }], owner: own ? IVO : MAREN };
        expect(reverseOf(act).some((reverse) => says(gone, reverse, subject))).toBe(false);
      }),
    );
  });
});
