import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { staffInput } from '@/core/frame/staffInput';
import type { MeetingId, OutletId, PersonId, SectionId } from '@/core/ids';
import { outletInput } from '@/core/outlets/outletInput';
import { seenSheet } from '@/core/signup/seenSheet';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { sheetById } from '@/data/signup/sheets';
import { cancelEntry } from '../entries/cancelEntry';
import { changeEntry } from '../entries/changeEntry';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import { eraseAccount } from '../people/erase';
import { joinCourse, joiningAddress, openJoining } from '../people/joining';
import { addPerson } from '../people/people';
import { moveStudents } from '../people/membership';
import { setDeactivated } from '../people/changePerson';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { outletFor, outletsFor, publish, replaceAddress } from '../outlets/publish';
import type { SignedIn } from '../session/session';
import { openSession, signedInBy } from '../session/session';
import { cancelDays } from '../signup/cancelTimes';
import { messageBooked } from '../signup/runTimes';
import { offerTimes } from '../signup/offerTimes';
import { bookFor, takeTime } from '../signup/takeTime';
import { changeMeeting } from './changeMeeting';
import { handOver, removeStaff, writeStaff } from './courseStaff';
import { addSection } from './sections';
import { sectionInput } from '@/core/frame/frameInput';
import { Temporal } from 'temporal-polyfill';

let school: School;
let pembit: Pembit;
const DAY = 24 * 3_600_000;
beforeEach(async () => {
  school = await newSchool();
  pembit = school.pembit;
  return () => school.close();
});

const admin = (): SignedIn => ({
  ...school.instructor,
  person: { ...school.instructor.person, isAdmin: true },
});
const person = async (name: string): Promise<PersonId> =>
  valueOf(await addPerson(pembit, admin(), { name, email: `${name.toLowerCase()}@school.example` })).id;
const as = (id: PersonId) => school.signedIn(id);
const join = async (name: string, more: object): Promise<SignedIn> => {
  const id = await person(name);
  valueOf(
    await writeStaff(pembit, school.instructor, school.course, staffInput.parse({ person: id, ...more })),
  );
  return as(id);
};
const event = (more: object = {}) =>
  entryInput.parse({ kind: 'event', title: 'Launching', start: '2026-10-20T10:00', audience: [{ course: school.course }], ...more }); // prettier-ignore
const sheet = (more: object = {}) =>
  sheetInput.parse({
    title: 'Office hours', audience: [{ course: school.course }],
    offering: { length: 30, stretches: [{ date: '2026-10-20', start: '12:00', end: '14:00' }] }, ...more,
  }); // prettier-ignore
const reasonOf = (outcome: Readonly<{ ok: boolean; reason?: string }>) =>
  outcome.ok ? 'done' : outcome.reason;

describe('an assistant', () => {
  test('holds office hours of their own and reads the plan; plans nothing', async () => {
    const grete = await join('Grete', { role: 'assistant' });
    const planned = valueOf(
      await planEntry(pembit, school.instructor, event({ visibility: { kind: 'draft' } })),
    );
    expect(reasonOf(await planEntry(pembit, grete, event()))).toBe('notYours');
    expect(reasonOf(await changeEntry(pembit, grete, { id: planned.id, sequence: 0, scope: 'all' }, event({ title: 'X' })))).toBe('notFound'); // prettier-ignore
    expect(reasonOf(await cancelEntry(pembit, grete, planned.id, { reason: '' }))).toBe('notFound');
    expect((await planSeenBy(pembit, grete.viewer)).entries.map(({ title }) => title)).toEqual(['Launching']);

    const own = valueOf(await offerTimes(pembit, grete, sheet()));
    expect(own.hosts.map(({ name }) => name)).toEqual(['Grete']);
    const [student] = school.students;
    valueOf(await takeTime(pembit, student!, own.slots[0]!.id, { note: 'About bevels' }));
    expect(reasonOf(await bookFor(pembit, grete, { slot: own.slots[1]!.id, person: school.students[1]!.person.id, note: '' }))).toBe('done'); // prettier-ignore
    expect(reasonOf(await messageBooked(pembit, grete, own.id, { text: 'Bring paper.' }))).toBe('done');
  });

  test('not those of others: neither to read nor to run', async () => {
    const grete = await join('Grete', { role: 'assistant' });
    const others = valueOf(await offerTimes(pembit, school.instructor, sheet()));
    expect(seenSheet(grete.viewer, others, pembit.now())).toBeUndefined();
    expect(reasonOf(await takeTime(pembit, grete, others.slots[0]!.id, {}))).toBe('notFound');
    expect(reasonOf(await cancelDays(pembit, grete, others.id, { from: Temporal.PlainDate.from('2026-10-20'), message: '' }))).toBe('notFound'); // prettier-ignore
    const foreign = sheet({ hosts: [school.instructor.person.id] });
    expect(reasonOf(await offerTimes(pembit, grete, foreign))).toBe('badRequest');
  });
});

describe('a substitute', () => {
  const days = { role: 'substitute', from: '2026-10-13', until: '2026-10-16' };

  test('reads, calls off and writes from the first day to the last; afterwards nothing', async () => {
    const nuala = await join('Nuala', days);
    const planned = valueOf(await planEntry(pembit, school.instructor, event()));
    expect((await planSeenBy(pembit, nuala.viewer)).entries).toHaveLength(1);
    expect(reasonOf(await planEntry(pembit, nuala, event()))).toBe('notYours');
    expect(reasonOf(await publish(pembit, nuala, outletInput.parse({ kind: 'feed', audience: 'public', name: 'X', courses: [school.course] })))).toBe('notYours'); // prettier-ignore
    expect(reasonOf(await writeStaff(pembit, nuala, school.course, staffInput.parse({ person: nuala.person.id, role: 'instructor' })))).toBe('notFound'); // prettier-ignore
    expect(reasonOf(await cancelEntry(pembit, nuala, planned.id, { reason: 'Ill' }))).toBe('done');
    school.later(4 * DAY);
    const after = await as(nuala.person.id);
    expect(after.viewer.helps.size).toBe(0);
    expect((await planSeenBy(pembit, after.viewer)).entries).toEqual([]);
    expect(reasonOf(await cancelEntry(pembit, after, planned.id, {}))).toBe('notFound');
  });

  test('not before the first day', async () => {
    const nuala = await join('Nuala', { ...days, from: '2026-10-14' });
    expect(nuala.viewer.helps.size).toBe(0);
  });

  test('in their sections alone', async () => {
    valueOf(await addSection(pembit, school.instructor, school.course, sectionInput.parse({ name: 'B', week: 'Mon 9-10' }))); // prettier-ignore
    const [{ id: b }] = (await select<{ id: SectionId }>(pembit, `SELECT id FROM sections WHERE name = 'B'`)) as [{ id: SectionId }]; // prettier-ignore
    const nuala = await join('Nuala', { ...days, sections: [b] });
    const [meeting] = await select<{ id: MeetingId }>(pembit, 'SELECT id FROM meetings WHERE section_id = :b ORDER BY date DESC', { b }); // prettier-ignore
    const calledOff = await changeMeeting(pembit, nuala, meeting!.id, { act: 'cancel', reason: '' });
    expect(reasonOf(calledOff)).toBe('done');
    const move = { act: 'move', date: Temporal.PlainDate.from('2026-10-21'), start: Temporal.PlainTime.from('09:00'), end: Temporal.PlainTime.from('10:00') } as const; // prettier-ignore
    expect(reasonOf(await changeMeeting(pembit, nuala, meeting!.id, move))).toBe('notFound');
    const whole = valueOf(await planEntry(pembit, school.instructor, event()));
    expect(reasonOf(await cancelEntry(pembit, nuala, whole.id, { reason: '' }))).toBe('notFound');
    const seen = await planSeenBy(pembit, nuala.viewer);
    expect(new Set(seen.classes.map(({ section }) => section.id))).toEqual(new Set([b]));
    // Once they stand in for another section, what they did in this one is no longer theirs to undo.
    const elsewhere = { person: nuala.person.id, ...days, sections: [school.section] };
    valueOf(await writeStaff(pembit, school.instructor, school.course, staffInput.parse(elsewhere)));
    const undone = await undoChange(pembit, await as(nuala.person.id), historyOf(calledOff));
    expect(reasonOf(undone)).toBe('undoNotYours');
  });

  test('reads no notes of bookings from before', async () => {
    const offered = valueOf(await offerTimes(pembit, school.instructor, sheet({ rules: { perSheet: 2 } })));
    const [one, two] = school.students;
    valueOf(await takeTime(pembit, one!, offered.slots[0]!.id, { note: 'Between us' }));
    const nuala = await join('Nuala', { ...days, from: '2026-10-14' });
    school.later(DAY);
    valueOf(await takeTime(pembit, two!, offered.slots[1]!.id, { note: 'About Thursday' }));
    const seen = seenSheet(
      (await as(nuala.person.id)).viewer,
      (await sheetById(pembit, offered.id))!,
      pembit.now(),
    )!;
    expect(seen.slots.flatMap(({ bookings }) => bookings.map(({ note }) => note))).toEqual([
      '',
      'About Thursday',
    ]);
  });
});

describe('a course is never without an instructor', () => {
  test('its only one is taken off with a successor, who becomes one', async () => {
    const { course, instructor } = school;
    expect(await removeStaff(pembit, admin(), { course, person: instructor.person.id })).toMatchObject({ reason: 'needsSuccessor' }); // prettier-ignore
    const own = staffInput.parse({ person: instructor.person.id, role: 'co' });
    expect(await writeStaff(pembit, admin(), course, own)).toMatchObject({ reason: 'needsSuccessor' });
    const heir = await person('Tobias');
    valueOf(await removeStaff(pembit, admin(), { course, person: instructor.person.id, successor: heir }));
    expect([...(await as(heir)).viewer.instructs]).toEqual([course]);
    expect((await as(instructor.person.id)).viewer.staffOf.size).toBe(0);
  });

  test('deactivating and erasing ask for one, too; the course and all in it stay', async () => {
    const { course, instructor } = school;
    valueOf(await planEntry(pembit, instructor, event()));
    const office = { ...admin(), person: { ...admin().person, id: await person('Astrid') } };
    const id = instructor.person.id;
    const erasing = { id, email: instructor.person.email };
    expect(await eraseAccount(pembit, office, erasing)).toMatchObject({ reason: 'needsSuccessor', detail: 'It concerns HL 210.' }); // prettier-ignore
    expect(await setDeactivated(pembit, office, { id, deactivated: true })).toMatchObject({ reason: 'needsSuccessor' }); // prettier-ignore
    const heir = await person('Tobias');
    valueOf(await eraseAccount(pembit, office, { ...erasing, successor: heir }));
    expect([...(await as(heir)).viewer.instructs]).toEqual([course]);
    expect(await select(pembit, 'SELECT id FROM entries')).toHaveLength(1);
  });
});

describe('handing over', () => {
  test('moves sheets, single times, outlets and unsent letters to a colleague, in one act', async () => {
    const tobias = await join('Tobias', { role: 'co' });
    const { course, instructor } = school;
    const offered = valueOf(await offerTimes(pembit, instructor, sheet({ rules: { together: false } })));
    const feed = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [course] }))); // prettier-ignore
    valueOf(await handOver(pembit, instructor, { course, from: instructor.person.id, to: tobias.person.id }));
    const after = (await sheetById(pembit, offered.id))!;
    expect(after.hosts.map(({ id }) => id)).toEqual([tobias.person.id]);
    expect(new Set(after.slots.map(({ host }) => host))).toEqual(new Set([tobias.person.id]));
    const moved = valueOf(await outletFor(pembit, tobias, feed.id));
    // The address that people keep is the same.
    expect([moved.owner, moved.url]).toEqual([tobias.person.id, feed.url]);
  });

  test('is for whoever holds it, or may change the staff', async () => {
    const tobias = await join('Tobias', { role: 'co' });
    const { course, instructor } = school;
    const asked = { course, from: instructor.person.id, to: tobias.person.id };
    expect(reasonOf(await handOver(pembit, tobias, asked))).toBe('notFound');
    expect(reasonOf(await handOver(pembit, school.stranger, asked))).toBe('notFound');
  });
});

describe('leaving ends what one opened', () => {
  test('outlets go to those who stay; the joining address closes; who left reads and replaces nothing', async () => {
    const tobias = await join('Tobias', { role: 'co' });
    const { course, instructor, stranger } = school;
    const feed = valueOf(await publish(pembit, tobias, outletInput.parse({ kind: 'feed', audience: 'roster', name: 'HL', courses: [course] }))); // prettier-ignore
    valueOf(await openJoining(pembit, tobias, course));
    const token = (await joiningAddress(pembit, course))!.split('/').at(-1)!;
    valueOf(await removeStaff(pembit, instructor, { course, person: tobias.person.id }));
    const after = await as(tobias.person.id);
    expect((await outletsFor(pembit, after)).map(({ audience }) => audience)).toEqual(['personal']);
    expect(reasonOf(await outletFor(pembit, after, feed.id as OutletId))).toBe('notFound');
    expect(reasonOf(await replaceAddress(pembit, after, feed.id as OutletId))).toBe('notFound');
    expect(valueOf(await outletFor(pembit, instructor, feed.id as OutletId)).owner).toBe(
      instructor.person.id,
    );
    expect(await joiningAddress(pembit, course)).toBeUndefined();
    expect(reasonOf(await joinCourse(pembit, stranger, { token, section: school.section }, ''))).toBe(
      'noJoining',
    );
  });

  test('a student who was taken off does not come back by the address that held then', async () => {
    const { course, instructor, section } = school;
    const [student] = school.students;
    valueOf(await openJoining(pembit, instructor, course));
    const tokenNow = async () => (await joiningAddress(pembit, course))!.split('/').at(-1)!;
    const old = await tokenNow();
    valueOf(await moveStudents(pembit, instructor, course, [student!.person.id], { kind: 'leave' }));
    const gone = await as(student!.person.id);
    expect(reasonOf(await joinCourse(pembit, gone, { token: old, section }, ''))).toBe('noJoining');
    valueOf(await openJoining(pembit, instructor, course));
    expect(reasonOf(await joinCourse(pembit, gone, { token: await tokenNow(), section }, ''))).toBe('done');
  });
});

test('whoever is deactivated is out at once, on every device, and sees nothing by their feed', async () => {
  const office = { ...admin(), person: { ...admin().person, id: await person('Astrid') } };
  const [student] = school.students;
  const token = await openSession(pembit, student!.person.id);
  expect(await signedInBy(pembit, token)).toBeDefined();
  valueOf(await setDeactivated(pembit, office, { id: student!.person.id, deactivated: true }));
  expect(await signedInBy(pembit, token)).toBeUndefined();
  expect(await signedInBy(pembit, await openSession(pembit, student!.person.id))).toBeUndefined();
  expect((await as(student!.person.id)).viewer.memberOf.size).toBe(0);
  valueOf(await setDeactivated(pembit, office, { id: student!.person.id, deactivated: false }));
  expect(await signedInBy(pembit, await openSession(pembit, student!.person.id))).toBeDefined();
});
