import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { PersonId, SlotId } from '@/core/ids';
import type { Sheet } from '@/core/signup/sheet';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { scopesOf } from './sheetScopes';

export async function insertWaiting(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  person: PersonId,
): Promise<void> {
  await change.insert('waiting', [
    { id: randomUUID(), slot_id: slot, person_id: person, created_at: change.nowMs, offered_until: null },
  ]);
  change.concerns(...scopesOf(sheet));
}

/** Takes somebody off a waiting list; answers whether they were on it. */
export async function removeWaiting(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  person: PersonId,
): Promise<boolean> {
  const rows = await select<{ id: string }>(
    change,
    'SELECT id FROM waiting WHERE slot_id = :slot AND person_id = :person',
    { slot, person },
  );
  for (const { id } of rows) await change.remove('waiting', id);
  change.concerns(...scopesOf(sheet));
  return rows.length > 0;
}

export async function offerTo(
  change: Change,
  sheet: Sheet,
  slot: SlotId,
  { person, until }: Readonly<{ person: PersonId; until: Temporal.Instant }>,
): Promise<void> {
  const [row] = await select<{ id: string }>(
    change,
    'SELECT id FROM waiting WHERE slot_id = :slot AND person_id = :person',
    { slot, person },
  );
  if (row) await change.update('waiting', row.id, { offered_until: until.epochMilliseconds });
  change.concerns(...scopesOf(sheet));
}

/** Times with an offer to somebody who waits that has run out. */
export async function expiredOffers(reader: Reader, nowMs: number): Promise<SlotId[]> {
  const rows = await select<{ slot_id: SlotId }>(
    reader,
    'SELECT DISTINCT slot_id FROM waiting WHERE offered_until <= :nowMs',
    { nowMs },
  );
  return rows.map((row) => row.slot_id);
}
