import type { HistoryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';

/** The value of an act that must have been done. */
export function valueOf<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`${outcome.reason} ${JSON.stringify(outcome.fields)}`);
  return outcome.value;
}

/** The id that undoes an act that must have been done. */
export function historyOf<T>(outcome: Outcome<T>): HistoryId {
  valueOf(outcome);
  if (!outcome.ok || !outcome.history) throw new Error('The act left no history.');
  return outcome.history as HistoryId;
}
