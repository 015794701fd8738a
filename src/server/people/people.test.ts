import { fromSection } from '@/data/plan/frameRows';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { historyOf, valueOf as value } from '../../../tests/support/outcomes';
import type { PersonId, SectionId } from '@/core/ids';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { loadPlan } from '@/data/plan/loadPlan';
import { seenPlan } from '@/core/plan/seenPlan';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import type { SignedIn } from '../session/session';
import { sheetInput } from '@/core/signup/sheetInput';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { eraseAccount, exportPerson } from './erase';
import { acceptInvitation, invitedBy } from './invitation';
import { removeGroup, writeGroup } from './groups';
import { joinCourse, joinable, joiningAddress, openJoining, closeJoining } from './joining';
import { moveStudents, previewMove } from './membership';
import { Temporal } from 'temporal-polyfill';

let school: School;
let admin: SignedIn;
beforeAll(async () => {
  school = await newSchool({ students: 5 });
  admin = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
});
afterAll(() => school.close());

const eventFor = (audience: object) => ({
  kind: 'event' as const, title: 'Team meeting', description: '', links: [], visibility: { kind: 'visible' as const }, place: '', meetingLink: '', meetingName: '', meetingText: '',
  start: Temporal.PlainDateTime.from('2026-10-20T10:00'), audience: [{ course: school.course, ...audience }],
}); // prettier-ignore
const seesEntries = async (who: SignedIn) => {
  const { viewer } = await school.signedIn(who.person.id);
  const plan = await loadPlan(school.pembit, [school.course]);
  return seenPlan(viewer, plan, school.pembit.now()).entries.map((entry) => entry.title);
};

describe('groups', () => {
  test('an entry for a group is seen by its members and the staff; leaving the group loses it', async () => {
    const [one, two] = school.students;
    const group = value(
      await writeGroup(school.pembit, school.instructor, { course: school.course }, { name: 'Team', people: [one!.person.id] }),
    ); // prettier-ignore
    value(await planEntry(school.pembit, school.instructor, eventFor({ groups: [group.id] })));
    expect(await seesEntries(one!)).toEqual(['Team meeting']);
    expect(await seesEntries(two!)).toEqual([]);
    expect(await seesEntries(school.instructor)).toEqual(['Team meeting']);
    expect(await removeGroup(school.pembit, school.instructor, { course: school.course, group: group.id })).toMatchObject({ reason: 'groupInUse' }); // prettier-ignore
    value(await writeGroup(school.pembit, school.instructor, { course: school.course, group: group.id }, { name: 'Team', people: [two!.person.id] })); // prettier-ignore
    expect(await seesEntries(one!)).toEqual([]);
    expect(await seesEntries(two!)).toEqual(['Team meeting']);
  });

  test('a group holds students of the course only, and strangers make none', async () => {
    const input = { name: 'Others', people: [school.stranger.person.id] };
    expect(await writeGroup(school.pembit, school.instructor, { course: school.course }, input)).toMatchObject({ reason: 'badRequest' }); // prettier-ignore
    expect(await writeGroup(school.pembit, school.stranger, { course: school.course }, { name: 'X', people: [] })).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  });

  test('an entry for a named student is seen by nobody else, and names nobody else to them', async () => {
    const [, , three, four] = school.students;
    const people = [three!.person.id, four!.person.id];
    value(await planEntry(school.pembit, school.instructor, { ...eventFor({ people }), title: 'Retake' }));
    expect(await seesEntries(three!)).toEqual(['Retake']);
    expect(await seesEntries(school.students[4]!)).toEqual([]);
    const { viewer } = await school.signedIn(three!.person.id);
    const seen = seenPlan(viewer, await loadPlan(school.pembit, [school.course]), school.pembit.now());
    expect(JSON.stringify(seen.entries)).not.toContain(four!.person.id);
  });
});

describe('leaving and changing section', () => {
  test('what a student would give back is said first, then done, and undone', async () => {
    const section = randomUUID() as SectionId;
    await recordChange(school.pembit.queue, { act: 't', summary: '', actor: null, nowMs: 0 }, (change) =>
      change.insert('sections', [fromSection({ id: section, name: 'B' }, school.course)]),
    );
    const sheet = value(
      await offerTimes(school.pembit, school.instructor, sheetInput.parse({
        title: 'Office hours', audience: [{ course: school.course, sections: [school.section] }], rules: { perSheet: 2 },
        offering: { length: 30, stretches: [{ date: '2026-10-20', start: '12:00', end: '14:00' }] },
      })),
    ); // prettier-ignore
    const student = await school.signedIn(school.students[0]!.person.id);
    value(await takeTime(school.pembit, student, sheet.slots[0]!.id, {}));
    const people = [student.person.id];
    const move = { kind: 'section', section } as const;
    expect(
      value(await previewMove(school.pembit, school.instructor, school.course, people, move)).students,
    ).toMatchObject([{ person: student.person.id, givesBack: ['Office hours, Tue 20 Oct, 12:00'] }]);
    const moved = await moveStudents(school.pembit, school.instructor, school.course, people, move);
    const bookings = () => select(school.pembit, 'SELECT id FROM bookings');
    expect(await bookings()).toHaveLength(0);
    value(await undoChange(school.pembit, school.instructor, historyOf(moved)));
    expect(await bookings()).toHaveLength(1);
    expect(await previewMove(school.pembit, school.stranger, school.course, people, { kind: 'leave' })).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  });
});

describe('joining', () => {
  const tokenOf = (url: string | undefined) => url!.split('/').at(-1)!;

  test('whoever is signed in joins at once; the address holds until it is replaced or closed', async () => {
    expect(await joiningAddress(school.pembit, school.course)).toBeUndefined();
    value(await openJoining(school.pembit, school.instructor, school.course));
    const first = tokenOf(await joiningAddress(school.pembit, school.course));
    expect(await joinCourse(school.pembit, school.stranger, { token: first }, '')).toMatchObject({
      fields: [{ field: 'section' }],
    });
    value(await joinCourse(school.pembit, school.stranger, { token: first, section: school.section }, ''));
    const joined = await school.signedIn(school.stranger.person.id);
    expect(joined.viewer.memberOf.get(school.course)).toBe(school.section);
    value(await openJoining(school.pembit, school.instructor, school.course));
    expect(await joinable(school.pembit, first)).toBeUndefined();
    const second = tokenOf(await joiningAddress(school.pembit, school.course));
    expect((await joinable(school.pembit, second))?.code).toBe('HL 210');
    value(await closeJoining(school.pembit, school.instructor, school.course));
    expect(await joinCourse(school.pembit, school.stranger, { token: second }, '')).toMatchObject({ reason: 'noJoining' }); // prettier-ignore
  });

  test('a stranger gets a letter, and the same answer whether the address is known or not', async () => {
    value(await openJoining(school.pembit, school.instructor, school.course));
    const token = tokenOf(await joiningAddress(school.pembit, school.course));
    const join = (email: string) =>
      joinCourse(
        school.pembit,
        undefined,
        { token, section: school.section, name: 'New Hand', email },
        '192.0.2.1',
      );
    expect(value(await join('hand@school.example'))).toEqual(value(await join('p3@school.example')));
    const letters = await select<{ recipient: string }>(school.pembit, 'SELECT recipient FROM outbox');
    const joined = letters
      .map((letter) => letter.recipient)
      .filter((to) => to !== school.students[0]!.person.email);
    expect(joined).toEqual(['hand@school.example']);
  });
});

describe('asking to join', () => {
  const tokenOf = (url: string | undefined) => url!.split('/').at(-1)!;
  const people = async () => (await select(school.pembit, 'SELECT id FROM people')).length;
  const ask = async (email: string, from = '192.0.2.1') =>
    joinCourse(school.pembit, undefined, { token: tokenOf(await joiningAddress(school.pembit, school.course)), section: school.section, name: 'New Hand', email }, from); // prettier-ignore

  test('makes nobody a person until the letter was opened, and then puts them on the roster', async () => {
    const { pembit, course, section } = school;
    value(await openJoining(pembit, school.instructor, course));
    const before = await people();
    value(await ask('first@school.example'));
    expect(await people()).toBe(before);
    const [{ body }] = (await select<{ body: string }>(pembit, `SELECT body FROM outbox WHERE recipient = 'first@school.example'`)) as [{ body: string }]; // prettier-ignore
    // What somebody from outside types goes into no letter.
    expect(body).not.toContain('New Hand');
    const link = /welcome\/([\w-]+)/.exec(body)![1]!;
    expect(await invitedBy(pembit, link)).toMatchObject({ email: 'first@school.example', known: 0 });
    expect(await acceptInvitation(pembit, link, 'a long enough password')).toMatchObject({ ok: true });
    expect(await people()).toBe(before + 1);
    const [{ id }] = (await select<{ id: PersonId }>(pembit, `SELECT id FROM people WHERE email = 'first@school.example'`)) as [{ id: PersonId }]; // prettier-ignore
    expect((await school.signedIn(id)).viewer.memberOf.get(course)).toBe(section);
    expect(await acceptInvitation(pembit, link, 'a long enough password')).toMatchObject({
      reason: 'notFound',
    });
  });

  test('not by a letter whose address was closed meanwhile', async () => {
    const { pembit, course } = school;
    value(await ask('second@school.example'));
    const [{ body }] = (await select<{ body: string }>(pembit, `SELECT body FROM outbox WHERE recipient = 'second@school.example'`)) as [{ body: string }]; // prettier-ignore
    value(await openJoining(pembit, school.instructor, course));
    expect(await invitedBy(pembit, /welcome\/([\w-]+)/.exec(body)![1]!)).toBeUndefined();
  });

  test('is limited by where it comes from, by whom it writes to and altogether', async () => {
    const { pembit } = school;
    const lettersTo = async (like: string) => (await select(pembit, 'SELECT id FROM outbox WHERE recipient LIKE :like', { like })).length; // prettier-ignore
    for (let i = 0; i < 6; i++) value(await ask('same@school.example', `198.51.100.${i}`));
    expect(await lettersTo('same@%')).toBe(3);
    const answers = [];
    for (let i = 0; i < 40; i++) answers.push(await ask(`many${i}@school.example`, '203.0.113.9'));
    expect(answers.filter((answer) => answer.ok)).toHaveLength(30);
    expect(answers.at(-1)).toMatchObject({ reason: 'tooManyTries' });
    expect(await lettersTo('many%')).toBe(30);
    const far = [];
    for (let i = 0; i < 260; i++) far.push(await ask(`far${i}@school.example`, `10.${i}.0.1`));
    expect(far.some((answer) => !answer.ok && answer.reason === 'tooManyTries')).toBe(true);
    expect(await lettersTo('%')).toBeLessThan(260);
  });
});

describe('a person’s data', () => {
  test('are exported and erased, history included; only by the administrator, and not by a slip', async () => {
    const person = school.students[0]!.person;
    expect(await exportPerson(school.pembit, school.instructor, person.id)).toMatchObject({
      reason: 'notYours',
    });
    const data = value(await exportPerson(school.pembit, admin, person.id));
    expect(data.people).toMatchObject([{ email: person.email }]);
    expect(data.bookings).toHaveLength(1);
    expect(await eraseAccount(school.pembit, admin, { id: person.id, email: 'other@school.example' })).toMatchObject({ reason: 'badRequest' }); // prettier-ignore
    value(await eraseAccount(school.pembit, admin, { id: person.id, email: person.email }));
    for (const table of ['people', 'roster', 'bookings', 'group_members', 'history', 'outbox', 'stamps']) {
      const rows = JSON.stringify(await select(school.pembit, `SELECT * FROM ${table}`));
      expect(rows).not.toContain(person.id);
      expect(rows).not.toContain(person.email);
      expect(rows).not.toContain(person.name);
    }
  });

  test('the only instructor of a course is not erased without a successor', async () => {
    const { person } = school.instructor;
    const other = { ...admin, person: { ...admin.person, id: school.stranger.person.id } };
    expect(await eraseAccount(school.pembit, other, { id: person.id, email: person.email })).toMatchObject({ reason: 'needsSuccessor' }); // prettier-ignore
  });
});
