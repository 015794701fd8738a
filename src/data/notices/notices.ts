import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import { select } from '../database';
import type { Claim } from '../jobs/claims';
import { claimDue } from '../jobs/claims';
import { deleteRows, insertRows, run, updateRows } from '../statements';
import type { Writer } from '../reader';
import type { Subscription } from './devices';

/** What a device shows: two lines, and the page that a tap on them opens. */
export type Notice = Readonly<{ title: string; body: string; path: string }>;
export type QueuedNotice = Notice & Subscription & Readonly<{ id: string; device: string; attempts: number; createdMs: number }>; // prettier-ignore

/** Queues notices for every device of those they are for; undoing the act `history` takes them back while they wait. */
export async function queueNotices(
  writer: Writer,
  notices: ReadonlyMap<PersonId, Notice>,
  { nowMs, holdMs = 0, history = null }: Readonly<{ nowMs: number; holdMs?: number; history?: string | null }>, // prettier-ignore
): Promise<void> {
  if (notices.size === 0) return;
  const devices = await select<{ id: string; person_id: PersonId }>(writer, 'SELECT id, person_id FROM devices WHERE person_id IN (:people)', { people: [...notices.keys()] }); // prettier-ignore
  if (devices.length === 0) return;
  await insertRows(
    writer,
    'notices',
    devices.map((device) => ({
      id: randomUUID(),
      device_id: device.id,
      history_id: history,
      ...notices.get(device.person_id)!,
      state: 'queued',
      attempts: 0,
      next_attempt_at: nowMs + holdMs,
      created_at: nowMs,
    })),
  );
}

export async function takeBackNotices(writer: Writer, history: string): Promise<void> {
  await deleteRows(writer, 'notices', { history_id: history, state: 'queued', attempts: 0 });
}

/** Notices whose time has come, for this process alone for `holdMs`, the oldest first. */
export async function claimNotices(writer: Writer, claim: Claim): Promise<QueuedNotice[]> {
  const ids = await claimDue(writer, 'notices', claim);
  if (ids.length === 0) return [];
  return select<QueuedNotice>(
    writer,
    `SELECT notices.id, device_id AS device, title, body, path, attempts, notices.created_at AS "createdMs", endpoint, p256dh, auth
     FROM notices JOIN devices ON devices.id = device_id WHERE notices.id IN (:ids) ORDER BY notices.created_at, notices.id`,
    { ids },
  );
}

export async function markNotice(
  writer: Writer,
  id: string,
  row: Readonly<{ state: 'queued' | 'sent' | 'failed'; attempts: number; next_attempt_at?: number }>,
): Promise<void> {
  await updateRows(writer, 'notices', { ...row, held_until: null }, { id });
}

/** What went out before then is over. */
export async function forgetNotices(writer: Writer, beforeMs: number): Promise<void> {
  await run(writer, 'DELETE FROM notices WHERE created_at < :beforeMs', { beforeMs });
}
