import type { PersonId } from '@/core/ids';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { markShown, notYetShown } from '@/data/entries/shown';
import type { Pembit } from '../pembit';

/**
 * Notes that a person has been shown the entries of a plan, as a student sees them. Writes only what is new to them, and
 * keeps nobody waiting: the page does not hang on it.
 */
export async function recordShown(
  pembit: Pembit,
  person: PersonId,
  plan: Pick<SeenPlan, 'entries'>,
): Promise<void> {
  const entries = plan.entries
    .filter((entry) => entry.kind !== 'note' && !entry.asStaff)
    .map((entry) => ({ entry: entry.id, sequence: entry.sequence }));
  const fresh = await notYetShown(pembit, person, entries);
  if (fresh.length === 0) return;
  const nowMs = pembit.now().epochMilliseconds;
  void pembit.queue
    .write((writer) => markShown(writer, person, fresh, nowMs), { aside: true, locks: [] })
    .catch((error: unknown) => pembit.log.error({ err: error }, 'What was shown could not be noted'));
}
