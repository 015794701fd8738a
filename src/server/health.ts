import { zoneDataVersion } from '@/core/time/zoneData';
import { dueTimes } from '@/data/jobs/jobs';
import type { Pembit } from './pembit';

/** `jobLagSeconds`: how long the job that has waited longest is overdue. */
export type Health = Readonly<{ live: true; ready: boolean; zoneData: string; jobLagSeconds: number }>;

/** Live because it answers; ready when the database answers, too. */
export async function health(pembit: Pembit): Promise<Health> {
  const due = await dueTimes(pembit).catch(() => undefined);
  const earliest = Math.min(...(due?.values() ?? []), Infinity);
  const lagMs = Math.max(0, pembit.now().epochMilliseconds - earliest);
  return {
    live: true,
    ready: due !== undefined,
    zoneData: zoneDataVersion,
    jobLagSeconds: Math.round(lagMs / 1000),
  };
}
