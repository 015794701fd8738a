import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Whether something that holds once had not been used before; it has now. What is over is forgotten. */
export async function spendOnce(writer: Writer, id: string, { nowMs, until }: Readonly<{ nowMs: number; until: number }>): Promise<boolean> {
  await run(writer, 'DELETE FROM lti_spent WHERE until <= :nowMs', { nowMs });
  const known = await select(writer, 'SELECT id FROM lti_spent WHERE id = :id', { id });
  if (known.length > 0) return false;
  await run(writer, 'INSERT INTO lti_spent (id, until) VALUES (:id, :until)', { id, until });
  return true;
} // prettier-ignore

/** What waits for somebody for a while: a launch as JSON, and by which site it came. */
type Waiting = Readonly<{ id: string; platform: string; launch: string; until: number }>;

export async function insertArrival(writer: Writer, { nowMs, ...arrival }: Waiting & Readonly<{ nowMs: number }>): Promise<void> {
  await run(writer, 'DELETE FROM lti_arrivals WHERE until <= :nowMs', { nowMs });
  await run(writer, 'INSERT INTO lti_arrivals (id, platform_id, launch, until) VALUES (:id, :platform, :launch, :until)', arrival);
} // prettier-ignore

type WaitingRow = Readonly<{ id: string; platform_id: string; launch: string; until: number }>;

export async function arrivalById(reader: Reader, id: string, nowMs: number): Promise<Pick<Waiting, 'platform' | 'launch'> | undefined> {
  const [row] = await select<WaitingRow>(reader, 'SELECT * FROM lti_arrivals WHERE id = :id AND until > :nowMs', { id, nowMs });
  return row && { platform: row.platform_id, launch: row.launch };
} // prettier-ignore

export const removeArrival = (writer: Writer, id: string) =>
  run(writer, 'DELETE FROM lti_arrivals WHERE id = :id', { id });

export async function insertPlacing(writer: Writer, { nowMs, ...placing }: Waiting & Readonly<{ person: PersonId; nowMs: number }>): Promise<void> {
  await run(writer, 'DELETE FROM lti_placings WHERE until <= :nowMs', { nowMs });
  await run(writer, 'INSERT INTO lti_placings (id, platform_id, person_id, launch, until) VALUES (:id, :platform, :person, :launch, :until)', placing);
} // prettier-ignore

type Own = Readonly<{ id: string; person: PersonId; nowMs: number }>;

/** A page that waits for what somebody places: their own alone. */
export async function placingOf(reader: Reader, own: Own): Promise<Pick<Waiting, 'platform' | 'launch'> | undefined> {
  const [row] = await select<WaitingRow>(reader, 'SELECT * FROM lti_placings WHERE id = :id AND person_id = :person AND until > :nowMs', own);
  return row && { platform: row.platform_id, launch: row.launch };
} // prettier-ignore
