import type { LinkedContext } from '@/data/lti/contexts';
import { courseRowOf } from '@/data/plan/frameStore';
import type { Pembit } from '../pembit';

/** How the course of a link is called, by code and title. */
export async function courseLabel(pembit: Pembit, { course }: LinkedContext): Promise<string> {
  const row = await courseRowOf(pembit, course);
  return row ? `${row.code} ${row.title}` : '';
}
