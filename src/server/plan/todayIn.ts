import type { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Pembit } from '../pembit';

/** Today, where the courses of a plan are taught; in UTC while there are none. */
export function todayIn(pembit: Pembit, plan: Pick<SeenPlan, 'terms'>): Temporal.PlainDate {
  return toWall(requireZone(plan.terms[0]?.tzid ?? 'Etc/UTC'), pembit.now()).toPlainDate();
}
