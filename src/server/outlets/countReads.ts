import type { OutletId } from '@/core/ids';
import type { Temporal } from 'temporal-polyfill';
import type { OutletUse } from '@/data/outlets/reads';
import { addReads, usesOf } from '@/data/outlets/reads';
import type { Pembit } from '../pembit';

/** Notes that an outlet was read: in memory, since a write for each reading would be the dearest part of it. */
export function countRead({ reads }: Pembit, outlet: OutletId, nowMs: number): void {
  const key = `${outlet} ${Math.floor(nowMs / 86_400_000)}`;
  reads.set(key, { reads: (reads.get(key)?.reads ?? 0) + 1, lastAtMs: nowMs });
}

/** Writes down what was counted since. */
export async function writeReads(pembit: Pembit): Promise<void> {
  // In one order: two processes that write the same do not wait for each other.
  const counted = [...pembit.reads].sort(([a], [b]) => (a < b ? -1 : 1));
  if (counted.length === 0) return;
  pembit.reads.clear();
  await pembit.queue.write(
    async (writer) => {
      for (const [key, { reads, lastAtMs }] of counted) {
        const [outlet = ''] = key.split(' ');
        const day = new Date(lastAtMs).toISOString().slice(0, 10);
        await addReads(writer, { outlet, day, reads, lastAtMs });
      }
    },
    { aside: true, locks: [] },
  );
}

/** How outlets were read since a day, what was read a moment ago included. */
export async function outletUses(
  pembit: Pembit,
  outlets: readonly OutletId[],
  since: Temporal.PlainDate,
): Promise<ReadonlyMap<OutletId, OutletUse>> {
  await writeReads(pembit);
  return usesOf(pembit, outlets, since.toString());
}
