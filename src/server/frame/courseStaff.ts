import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { personByEmail } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type StaffRow = { id: string; person_id: PersonId; role: 'instructor' | 'co'; name: string };

const staffRows = (reader: Reader, course: CourseId): Promise<StaffRow[]> =>
  select(
    reader,
    'SELECT staff.id, person_id, role, people.name FROM staff JOIN people ON people.id = staff.person_id WHERE course_id = :course',
    { course },
  );

/** Who may change a course's staff: its instructors and the administrator, not its co-instructors. */
const mayChange = (actor: SignedIn, rows: readonly StaffRow[]): boolean =>
  rows.length > 0 &&
  (actor.person.isAdmin ||
    rows.some((row) => row.person_id === actor.person.id && row.role === 'instructor'));

export const mayChangeStaff = async (reader: Reader, actor: SignedIn, course: CourseId): Promise<boolean> =>
  mayChange(actor, await staffRows(reader, course));

/** Adds a co-instructor: somebody with an account, by e-mail address. */
export function addCoInstructor(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  email: string,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'addCoInstructor', async (change) => {
    const rows = await staffRows(change, course);
    if (!mayChange(actor, rows)) return refused('notFound');
    const person = await personByEmail(change, email);
    if (!person)
      return refused('badRequest', [
        {
          field: 'email',
          message: 'Nobody at this school has this address. The school’s office adds people.',
        },
      ]);
    if (rows.some((row) => row.person_id === person.id))
      return refused('badRequest', [
        { field: 'email', message: `${person.name} teaches this course already.` },
      ]);
    const enrolled = await select(
      change,
      'SELECT 1 AS one FROM roster WHERE course_id = :course AND person_id = :person',
      { course, person: person.id },
    );
    if (enrolled.length > 0)
      return refused('badRequest', [{ field: 'email', message: `${person.name} takes this course.` }]);
    await change.insert('staff', [{ id: randomUUID(), course_id: course, person_id: person.id, role: 'co' }]);
    change.concerns(`course:${course}`, `person:${person.id}`);
    change.summarise(frameHistoryTexts.addedStaff(person.name));
    return done({ name: person.name });
  });
}

/** Takes a co-instructor off the staff. An instructor stays: a course is never without one. */
export function removeCoInstructor(
  pembit: Pembit,
  actor: SignedIn,
  { course, person }: { course: CourseId; person: PersonId },
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'removeCoInstructor', async (change) => {
    const rows = await staffRows(change, course);
    const row = rows.find((r) => r.person_id === person && r.role === 'co');
    if (!row || !mayChange(actor, rows)) return refused('notFound');
    await change.remove('staff', row.id);
    change.concerns(`course:${course}`, `person:${person}`);
    change.summarise(frameHistoryTexts.removedStaff(row.name));
    return done({ name: row.name });
  });
}
