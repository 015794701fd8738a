import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { noticeTexts } from '@/core/texts/notices';
import type { DeviceKind, Subscription } from '@/data/notices/devices';
import { devicesOf, insertDevice, removeDevice } from '@/data/notices/devices';
import { queueNotices } from '@/data/notices/notices';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { pushKeys } from './pushKeys';

/** What a browser needs to take notices, and on which devices somebody takes them already. */
export async function ownDevices(
  pembit: Pembit,
  { person, session }: SignedIn,
): Promise<{ publicKey: string; devices: { id: string; kind: DeviceKind; since: string; here: boolean }[] }> {
  const devices = await devicesOf(pembit, person.id);
  return {
    publicKey: pushKeys(pembit.secret).publicKey,
    devices: devices.map(({ id, kind, session: of, sinceMs }) => ({
      id,
      kind,
      since: new Date(sinceMs).toISOString(),
      here: of === session,
    })),
  };
}

/** Shows urgent notices on the device that asks, as long as one stays signed in there; a first one says so. */
export function addDevice(
  pembit: Pembit,
  { person, session, shared }: SignedIn,
  device: Subscription & Readonly<{ kind: DeviceKind }>,
): Promise<Outcome<{ id: string }>> {
  return pembit.queue.write(
    async (writer) => {
      if (shared) return refused('sharedDevice');
      const nowMs = pembit.now().epochMilliseconds;
      const id = await insertDevice(writer, { ...device, person: person.id, session, nowMs });
      await queueNotices(writer, new Map<PersonId, typeof FIRST>([[person.id, FIRST]]), { nowMs });
      return done({ id });
    },
    { aside: true },
  );
}
const FIRST = { title: noticeTexts.firstTitle, body: noticeTexts.firstBody, path: '/account' };

export async function endDevice(pembit: Pembit, { person }: SignedIn, id: string): Promise<Outcome<null>> {
  const found = await pembit.queue.write((writer) => removeDevice(writer, id, person.id), { aside: true });
  return found ? done(null) : refused('notFound');
}
