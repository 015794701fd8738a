import type { SchoolSettings } from '@/core/frame/schoolSettings';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';

const kept = keptReads<SchoolSettings>(1);

/** What the school has set: asked for with nearly every request. */
export const keptSettings = (pembit: Pembit): Promise<SchoolSettings> =>
  kept(pembit, '', () => schoolSettings(pembit), []);
