import type { HistoryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyRecord } from '@/data/history/undo';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { mayTell, untold } from './tellChange';

/** How many students had been shown what an act changed, and were not told yet: what is offered after it. */
export async function seenBefore(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ seen: number }>> {
  const record = await historyRecord(pembit, id);
  return record && mayTell(actor, record)
    ? done({ seen: await untold(pembit, record) })
    : refused('notFound');
}
