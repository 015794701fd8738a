import type { Usage } from '@/core/frame/usage';
import type { Reader } from '../reader';
import { select } from '../database';

/** `sinceDay`: the day of `sinceMs`, as outlets count their reads. */
export async function usage(
  reader: Reader,
  { sinceMs, sinceDay }: Readonly<{ sinceMs: number; sinceDay: string }>,
): Promise<Usage> {
  const [row] = await select<Usage>(
    reader,
    `SELECT (SELECT COUNT(*) FROM people WHERE deactivated_at IS NULL) AS people,
       (SELECT COUNT(DISTINCT person_id) FROM sessions WHERE created_at > :sinceMs) AS came,
       (SELECT COUNT(*) FROM outlets) AS outlets,
       (SELECT COALESCE(SUM(reads), 0) FROM outlet_reads WHERE day >= :sinceDay) AS reads,
       (SELECT COUNT(*) FROM outbox WHERE state = 'sent' AND sent_at > :sinceMs) AS letters,
       (SELECT COUNT(*) FROM outbox WHERE state = 'failed' AND created_at > :sinceMs) AS failed,
       (SELECT COUNT(*) FROM files) AS files`,
    { sinceMs, sinceDay },
  );
  return row!;
}
