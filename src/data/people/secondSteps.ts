import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows, updateRows } from '../statements';

/** A second step of signing in: its sealed secret, when it was confirmed, the last time step that was used, hashes of recovery codes. */
export type SecondStepRow = Readonly<{ secret: string; confirmed_at: number | null; last_step: number; recovery: string }>; // prettier-ignore

export const secondStepOf = async (reader: Reader, person: PersonId): Promise<SecondStepRow | undefined> =>
  (
    await select<SecondStepRow>(reader, 'SELECT * FROM second_steps WHERE person_id = :person', { person })
  )[0];

/** Whether the school asks staff for a second step, and somebody with a password of their own has none. */
export async function lacksSecondStep(reader: Reader, person: PersonId): Promise<boolean> {
  const rows = await select(
    reader,
    `SELECT 1 FROM school, people WHERE school.second_step_for_staff = 1 AND people.id = :person AND people.password_hash <> ''
       AND NOT EXISTS (SELECT 1 FROM second_steps WHERE person_id = :person AND confirmed_at IS NOT NULL)`,
    { person },
  );
  return rows.length > 0;
}

/** Begins a second step over one that was never confirmed. */
export async function beginSecondStepOf(writer: Writer, person: PersonId, secret: string): Promise<void> {
  await deleteSecondSteps(writer, person);
  await insertRows(writer, 'second_steps', [{ person_id: person, secret }]);
}

export async function updateSecondStep(
  writer: Writer,
  person: PersonId,
  changes: Partial<Omit<SecondStepRow, 'secret'>>,
): Promise<void> {
  await updateRows(writer, 'second_steps', changes, { person_id: person });
}

/** Takes somebody's second step of signing in away; without a person everybody's. */
export async function deleteSecondSteps(writer: Writer, person?: PersonId): Promise<void> {
  await deleteRows(writer, 'second_steps', person ? { person_id: person } : {});
}
