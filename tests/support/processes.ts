import type { Pembit } from '@/server/pembit';
import { openPembit } from '@/server/openPembit';

/** Another process over the same database and folder, by the same clock. */
export async function anotherProcess(pembit: Pembit): Promise<Pembit> {
  return { ...(await openPembit(pembit.config)), now: pembit.now };
}
