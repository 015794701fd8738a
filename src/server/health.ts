import { zoneDataVersion } from '@/core/time/zoneData';
import { select } from '@/data/database';
import type { Pembit } from './pembit';

export type Health = Readonly<{ live: true; ready: boolean; zoneData: string }>;

/** Live because it answers; ready when the database answers, too. */
export async function health(pembit: Pembit): Promise<Health> {
  const ready = await select(pembit, 'SELECT 1 AS one').then(
    () => true,
    () => false,
  );
  return { live: true, ready, zoneData: zoneDataVersion };
}
