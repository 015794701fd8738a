import type { Entry } from '@/core/entries/entry';
import type { Outcome } from '@/core/refusals';

/** What a writer needs to go on: the entry's id, and its sequence for the next change. */
export function entryAnswer(outcome: Outcome<Entry>, status = 200) {
  if (!outcome.ok) return outcome;
  const { id, uid, sequence, title } = outcome.value;
  return { ...outcome, value: { id, uid, sequence, title }, status };
}
