import { select } from '@/data/database';
import type { Pembit } from '../pembit';

/** Whether nobody has been here yet: then the first-run page is open, and nothing else. */
export async function isEmpty(pembit: Pembit): Promise<boolean> {
  const [row] = await select<{ people: number }>(pembit, 'SELECT COUNT(*) AS people FROM people');
  return row?.people === 0;
}
