import type { HistoryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyRecord } from '@/data/history/undo';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { mayTell, whoHadSeen } from './tellChange';

/** How many students had been shown what an act changed: what the message after it offers to tell. */
export async function seenBefore(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ seen: number }>> {
  const record = await historyRecord(pembit, id);
  return record && mayTell(actor, record)
    ? done({ seen: await whoHadSeen(pembit, record) })
    : refused('notFound');
}
