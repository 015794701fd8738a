import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import type { HistoryId, PersonId, SlotId } from '@/core/ids';
import { sheetInput } from '@/core/signup/sheetInput';
import { staffInput } from '@/core/frame/staffInput';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import { removeStaff, writeStaff } from '../frame/courseStaff';
import { setAdministrator } from '../people/administrators';
import { moveStudents } from '../people/membership';
import { addPerson } from '../people/people';
import { addStudents } from '../people/roster';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { giveBack } from '../signup/giveBack';
import { offerTimes } from '../signup/offerTimes';
import { bookFor, takeTime } from '../signup/takeTime';
import { cancelTime } from '../signup/cancelTimes';
import { undoChange } from './undoChange';

let school: School;
let pembit: Pembit;
beforeEach(async () => {
  school = await newSchool();
  pembit = school.pembit;
  return () => school.close();
});

const HOUR = 3_600_000;
const undo = (who: SignedIn, history: HistoryId) => undoChange(pembit, who, history);
const reason = async (work: ReturnType<typeof undo>) => {
  const outcome = await work;
  return outcome.ok ? 'undone' : outcome.reason;
};
const again = (who: SignedIn) => school.signedIn(who.person.id);
const held = async (who: SignedIn) =>
  (await select(pembit, 'SELECT id FROM bookings WHERE person_id = :id', { id: who.person.id })).length;

/** Three times on 20 October, one for each student; they may be given back until two hours before. */
async function offered(): Promise<SlotId[]> {
  const input = sheetInput.parse({
    title: 'Office hours', audience: [{ course: school.course }], rules: { giveBack: { kind: 'minutes', minutes: 120 } },
    offering: { length: 30, stretches: [{ date: '2026-10-20', start: '12:00', end: '13:30' }] },
  }); // prettier-ignore
  return valueOf(await offerTimes(pembit, school.instructor, input)).slots.map(({ id }) => id);
}

describe('a student undoes', () => {
  test('giving back, but holds no more times by it than the sheet allows', async () => {
    const [student] = school.students;
    const [one, two] = await offered();
    const taken = valueOf(await takeTime(pembit, student!, one!, {}));
    const given = await giveBack(pembit, student!, taken.booking.id);
    valueOf(await takeTime(pembit, student!, two!, {}));
    expect(await reason(undo(student!, historyOf(given)))).toBe('timesUsedUp');
    expect(await held(student!)).toBe(1);
  });

  test('giving back, while nobody else has taken it and it is theirs to take', async () => {
    const [student] = school.students;
    const [one] = await offered();
    const taken = valueOf(await takeTime(pembit, student!, one!, {}));
    const given = await giveBack(pembit, student!, taken.booking.id);
    expect(await reason(undo(student!, historyOf(given)))).toBe('undone');
    expect(await held(student!)).toBe(1);
  });

  test('taking, until it is too late to give it back', async () => {
    const [student] = school.students;
    const [one] = await offered();
    const taken = await takeTime(pembit, student!, one!, {});
    // 20 October, 11:00 in Halifax: an hour before.
    school.later((7 * 24 + 2) * HOUR);
    expect(await reason(undo(student!, historyOf(taken)))).toBe('tooLateToGiveBack');
    expect(await held(student!)).toBe(1);
  });

  test('nothing of the course once they are off its roster', async () => {
    const [student] = school.students;
    const [one] = await offered();
    const taken = valueOf(await takeTime(pembit, student!, one!, {}));
    const given = await giveBack(pembit, student!, taken.booking.id);
    valueOf(await moveStudents(pembit, school.instructor, school.course, [student!.person.id], { kind: 'leave' })); // prettier-ignore
    expect(await reason(undo(await again(student!), historyOf(given)))).toBe('undoNotYours');
    expect(await held(student!)).toBe(0);
  });

  test('nothing of another student', async () => {
    const [one, two] = school.students;
    const [slot] = await offered();
    const taken = await takeTime(pembit, one!, slot!, {});
    expect(await reason(undo(two!, historyOf(taken)))).toBe('notFound');
  });
});

describe('staff undo', () => {
  test('cancelling a time, unless its student has left the course', async () => {
    const [student, other] = school.students;
    const [one, two] = await offered();
    for (const [slot, who] of [[one, student], [two, other]] as const)
      valueOf(await bookFor(pembit, school.instructor, { slot: slot!, person: who!.person.id, note: '' })); // prettier-ignore
    const first = await cancelTime(pembit, school.instructor, one!);
    const second = await cancelTime(pembit, school.instructor, two!);
    valueOf(await moveStudents(pembit, school.instructor, school.course, [other!.person.id], { kind: 'leave' })); // prettier-ignore
    expect(await reason(undo(school.instructor, historyOf(first)))).toBe('undone');
    expect(await held(student!)).toBe(1);
    // Its slot comes back with the booking: whoever is gone has it no more, and nobody is told that they have.
    expect(await reason(undo(school.instructor, historyOf(second)))).toBe('undoNotYours');
    expect(await held(other!)).toBe(0);
  });

  test('nothing once they are off the staff', async () => {
    const colleague = await aColleague();
    const body = entryInput.parse({ kind: 'announcement', title: 'X', on: '2026-10-20', audience: [{ course: school.course }] }); // prettier-ignore
    const planned = await planEntry(pembit, colleague, body);
    valueOf(await removeStaff(pembit, school.instructor, { course: school.course, person: colleague.person.id })); // prettier-ignore
    expect(await reason(undo(await again(colleague), historyOf(planned)))).toBe('undoNotYours');
    expect(await select(pembit, 'SELECT id FROM entries')).toHaveLength(1);
  });

  test('not the instructor’s change of staff, as co-instructor', async () => {
    const colleague = await aColleague();
    const { course, stranger } = school;
    await pembit.sequelize.query('DELETE FROM roster WHERE person_id = :id', { replacements: { id: stranger.person.id } }); // prettier-ignore
    const changed = await writeStaff(pembit, school.instructor, course, staffInput.parse({ person: stranger.person.id })); // prettier-ignore
    expect(await reason(undo(colleague, historyOf(changed)))).toBe('undoNotYours');
    expect(await reason(undo(school.instructor, historyOf(changed)))).toBe('undone');
  });
});

/** Somebody who teaches beside the instructor. */
async function aColleague(): Promise<SignedIn> {
  const admin = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
  const { id } = valueOf(await addPerson(pembit, admin, { name: 'Tobias', email: 'tobias@school.example' }));
  valueOf(await writeStaff(pembit, school.instructor, school.course, staffInput.parse({ person: id })));
  return school.signedIn(id);
}

describe('undoing takes nothing along that others have made', () => {
  const asAdmin = (who: SignedIn): SignedIn => ({ ...who, person: { ...who.person, isAdmin: true } });

  test('adding a person, once another course has enrolled them', async () => {
    const admin = asAdmin(school.instructor);
    const added = await addPerson(pembit, admin, { name: 'Edda', email: 'edda@school.example' });
    const id = valueOf(added).id;
    await pembit.sequelize.query("INSERT INTO roster (id, course_id, person_id) VALUES ('r', :course, :id)", { replacements: { id, course: school.other } }); // prettier-ignore
    const outcome = await undo(admin, historyOf(added));
    expect(outcome).toMatchObject({
      ok: false,
      reason: 'hangsOn',
      detail: 'In the way: a place on a roster.',
    });
    expect(await select(pembit, 'SELECT id FROM people WHERE id = :id', { id })).toHaveLength(1);
    expect(await select(pembit, `SELECT id FROM roster WHERE id = 'r'`)).toHaveLength(1);
  });

  test('adding students, once one of them has taken a time', async () => {
    const added = await addStudents(pembit, school.instructor, school.course, 'Edda, edda@school.example, A');
    const [{ id }] = (await select<{ id: PersonId }>(pembit, `SELECT id FROM people WHERE email = 'edda@school.example'`)) as [{ id: PersonId }]; // prettier-ignore
    const [slot] = await offered();
    valueOf(await bookFor(pembit, school.instructor, { slot: slot!, person: id, note: '' }));
    expect(await undo(school.instructor, historyOf(added))).toMatchObject({ reason: 'hangsOn' });
    expect(await select(pembit, 'SELECT id FROM bookings')).toHaveLength(1);
  });

  test('a school is never left without an administrator', async () => {
    const { students } = school;
    const [one, two] = students.map((who) => who.person.id) as [PersonId, PersonId];
    await pembit.sequelize.query('UPDATE people SET is_admin = 1 WHERE id = :one', { replacements: { one } });
    const first = await school.signedIn(one);
    const made = await setAdministrator(pembit, first, { id: two, administrator: true });
    const second = await school.signedIn(two);
    valueOf(await setAdministrator(pembit, second, { id: one, administrator: false }));
    expect(await undo(second, historyOf(made))).toMatchObject({ reason: 'lastAdministrator' });
  });

  test('a course is never left without an instructor', async () => {
    const admin = asAdmin(school.instructor);
    const { id } = valueOf(
      await addPerson(pembit, admin, { name: 'Tobias', email: 'tobias@school.example' }),
    );
    const made = await writeStaff(pembit, admin, school.course, staffInput.parse({ person: id, role: 'instructor' })); // prettier-ignore
    const { person } = school.instructor;
    valueOf(await removeStaff(pembit, admin, { course: school.course, person: person.id }));
    expect(await undo(admin, historyOf(made))).toMatchObject({ reason: 'needsSuccessor' });
  });
});
