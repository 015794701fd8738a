import type { Reader } from '../reader';
import { select } from '../database';

/** Whether nobody has been here yet: then the first-run page is open, and nothing else. */
export async function isEmpty(reader: Reader): Promise<boolean> {
  const anybody = await select(reader, 'SELECT id FROM people LIMIT 1');
  return anybody.length === 0;
}
