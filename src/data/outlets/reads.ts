import type { OutletId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** How often an outlet was read on a day (`2026-10-13`, UTC). */
export type Reads = Readonly<{ day: string; reads: number }>;
export type OutletUse = Readonly<{ lastAtMs: number; days: readonly Reads[] }>;

export async function addReads(
  writer: Writer,
  { outlet, day, reads, lastAtMs }: Readonly<{ outlet: string; day: string; reads: number; lastAtMs: number }>,
): Promise<void> {
  await run(writer, `INSERT INTO outlet_reads (outlet_id, day, reads, last_at) VALUES (:outlet, :day, :reads, :lastAtMs)
     ON CONFLICT (outlet_id, day) DO UPDATE SET reads = outlet_reads.reads + excluded.reads, last_at = excluded.last_at`, { outlet, day, reads, lastAtMs });
} // prettier-ignore

/** By outlet, days in their order. */
export async function usesOf(
  reader: Reader,
  outlets: readonly OutletId[],
  sinceDay: string,
): Promise<ReadonlyMap<OutletId, OutletUse>> {
  if (outlets.length === 0) return new Map();
  const rows = await select<{ outlet_id: OutletId; day: string; reads: number; last_at: number }>(
    reader,
    `SELECT outlet_id, day, reads, last_at FROM outlet_reads
     WHERE outlet_id IN (:outlets) AND (day >= :sinceDay OR day = (SELECT MAX(day) FROM outlet_reads AS last WHERE last.outlet_id = outlet_reads.outlet_id))
     ORDER BY outlet_id, day`,
    { outlets, sinceDay },
  );
  const uses = new Map<OutletId, { lastAtMs: number; days: Reads[] }>();
  for (const { outlet_id, day, reads, last_at } of rows) {
    const use = uses.get(outlet_id) ?? { lastAtMs: 0, days: [] };
    use.lastAtMs = Math.max(use.lastAtMs, last_at);
    if (day >= sinceDay) use.days.push({ day, reads });
    uses.set(outlet_id, use);
  }
  return uses;
}
