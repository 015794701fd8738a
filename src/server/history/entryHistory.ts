import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { historyOfEntry } from '@/data/history/undo';
import { entryFor } from '../entries/saveEntry';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

export type HistoryLine = Readonly<{ id: string; at: string; summary: string; by: string; undone: boolean }>;

/** What was done to an entry, newest first: each act can be undone from here while nothing later rests on it. */
export async function entryHistory(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
): Promise<Outcome<HistoryLine[]>> {
  const found = await entryFor(pembit, actor, 'changeEntry', id);
  return found.ok ? done(await historyOfEntry(pembit, id, historyTexts.somebody)) : refused('notFound');
}
