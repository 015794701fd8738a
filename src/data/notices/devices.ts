import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Where a browser takes messages (RFC 8030), and its keys for them (RFC 8291), base64url. */
export type Subscription = Readonly<{ endpoint: string; p256dh: string; auth: string }>;
export type DeviceKind = 'phone' | 'computer';
export type Device = Readonly<{ id: string; kind: DeviceKind; session: string; sinceMs: number }>;

/** The device of a session, which has one; the same browser again takes the place of what it was. */
export async function insertDevice(
  writer: Writer,
  device: Subscription & Readonly<{ person: PersonId; session: string; kind: DeviceKind; nowMs: number }>,
): Promise<string> {
  const id = randomUUID();
  await run(writer, 'DELETE FROM devices WHERE endpoint = :endpoint OR session_id = :session', device);
  await run(
    writer,
    `INSERT INTO devices (id, person_id, session_id, endpoint, p256dh, auth, kind, created_at)
     VALUES (:id, :person, :session, :endpoint, :p256dh, :auth, :kind, :nowMs)`,
    { ...device, id },
  );
  return id;
}

export const devicesOf = (reader: Reader, person: PersonId): Promise<Device[]> =>
  select<Device>(
    reader,
    'SELECT id, kind, session_id AS session, created_at AS "sinceMs" FROM devices WHERE person_id = :person ORDER BY created_at, id',
    { person },
  );

/** Answers whether there was one; `person`: theirs alone. */
export async function removeDevice(writer: Writer, id: string, person?: PersonId): Promise<boolean> {
  const whose = person ? 'AND person_id = :person' : '';
  const found = await select(writer, `SELECT id FROM devices WHERE id = :id ${whose}`, { id, person });
  if (found.length > 0) await run(writer, 'DELETE FROM devices WHERE id = :id', { id });
  return found.length > 0;
}
