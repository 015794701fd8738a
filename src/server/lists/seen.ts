import type { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';

/** What a list is made of: what its reader sees, and nothing besides. */
export type Seen = Readonly<{ plan: SeenPlan; baseUrl: string; today: Temporal.PlainDate }>;

/** A stamp as records have it. */
export const stamp = (at: Temporal.Instant) => at.toString({ smallestUnit: 'second' });
