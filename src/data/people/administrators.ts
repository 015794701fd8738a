import type { PersonId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

/** Whether anybody who can come in administers the school. */
export async function hasAdministrator(reader: Reader): Promise<boolean> {
  const rows = await select(
    reader,
    'SELECT id FROM people WHERE is_admin = 1 AND deactivated_at IS NULL LIMIT 1',
  );
  return rows.length > 0;
}

/** Whom a letter of the school's is answered to: who has administered it longest. */
export const officeOf = async (reader: Reader): Promise<PersonId | undefined> =>
  (
    await select<{ id: PersonId }>(
      reader,
      'SELECT id FROM people WHERE is_admin = 1 AND deactivated_at IS NULL ORDER BY created_at, id LIMIT 1',
    )
  )[0]?.id;

/** Whether each of some courses that are there has an instructor. */
export async function haveInstructors(reader: Reader, courses: readonly string[]): Promise<boolean> {
  if (courses.length === 0) return true;
  const without = await select(
    reader,
    `SELECT id FROM courses WHERE id IN (:courses)
       AND id NOT IN (SELECT course_id FROM staff WHERE role = 'instructor')`,
    { courses: [...courses] },
  );
  return without.length === 0;
}
