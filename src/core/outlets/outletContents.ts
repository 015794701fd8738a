import { Temporal } from 'temporal-polyfill';
import type { Viewer } from '../entries/viewer';
import { boundariesOf } from '../entries/visibility';
import type { Plan } from '../plan/plan';
import type { SeenPlan } from '../plan/seenPlan';
import { seenPlan } from '../plan/seenPlan';
import type { Outlet, OutletKind, TimesAs } from './outlet';

export type OutletContents = Readonly<{
  plan: SeenPlan;
  has: (kind: OutletKind | 'booking' | 'note') => boolean;
  times: TimesAs;
  /** The latest instant at which time alone changed the contents. */
  changedByTime?: Temporal.Instant;
  /** The next such instant; undefined when only a write can change them. */
  validUntil?: Temporal.Instant;
}>;

/** What an outlet holds at an instant. Drafts and unreleased work stay out of it, even out of the staff's own feed. */
export function outletContents(
  outlet: Outlet,
  viewer: Viewer,
  plan: Plan,
  now: Temporal.Instant,
): OutletContents {
  const seen = seenPlan(viewer, plan, now);
  const kinds: ReadonlySet<string> | undefined =
    outlet.audience === 'personal' ? undefined : new Set(outlet.kinds);
  const boundaries = [
    ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : boundariesOf(entry))),
    ...plan.materials.flatMap(({ visibleFrom }) => (visibleFrom ? [visibleFrom.at] : [])),
  ].sort(Temporal.Instant.compare);
  const passed = (at: Temporal.Instant) => Temporal.Instant.compare(at, now) <= 0;
  return {
    plan: {
      ...seen,
      entries: seen.entries.filter((entry) => entry.release === 'shown'),
      sheets: seen.sheets.filter((sheet) => sheet.release === 'shown'),
    },
    has: (kind) => (kinds ? kinds.has(kind) : true),
    times: outlet.audience === 'personal' ? 'days' : outlet.times,
    changedByTime: boundaries.findLast(passed),
    validUntil: boundaries.find((at) => !passed(at)),
  };
}
