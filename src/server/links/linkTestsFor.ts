import type { LinkTest } from '@/core/links/linkTest';
import { linkTestsOf } from '@/data/links/linkTests';
import type { Pembit } from '../pembit';

/** How some addresses answered when they were last tested, for what staff see. */
export const linkTestsFor = (pembit: Pembit, urls: readonly string[]): Promise<Map<string, LinkTest>> =>
  linkTestsOf(pembit, urls);
