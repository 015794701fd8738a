import type { CourseId } from '@/core/ids';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { nextFree } from '@/core/signup/nextFree';
import { requireZone } from '@/core/time/zoneData';
import { contactsOf } from '@/data/people/staff';
import type { Pembit } from '../pembit';

/** Whom a student of some courses can write to, and the next time that they may take. */
export async function whomToAsk(pembit: Pembit, plan: SeenPlan, courses: readonly CourseId[]) {
  return {
    contacts: await contactsOf(pembit, courses),
    free: nextFree(plan.sheets, courses, { now: pembit.now(), zoneOf: requireZone }),
  };
}
