import { Temporal } from 'temporal-polyfill';
import { forgottenAt } from '../entries/tombstone';
import type { Viewer } from '../entries/viewer';
import { ownBoundaries } from '../entries/ownDates';
import { boundariesOf } from '../entries/visibility';
import type { Plan } from '../plan/plan';
import type { SeenPlan } from '../plan/seenPlan';
import { seenPlan } from '../plan/seenPlan';
import { toInstant, toWall } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { Outlet, PersonalKind, Reminder, TimesAs } from './outlet';
import { withoutPlaces } from './withoutPlaces';
import { titlesOnly } from './titlesOnly';

export type OutletContents = Readonly<{
  plan: SeenPlan;
  has: (kind: PersonalKind) => boolean;
  times: TimesAs;
  /** Whether titles carry their courses' tags. */
  tags: boolean;
  reminders: readonly Reminder[];
  /** What ended before this day is left out; absent: nothing is. */
  since?: Temporal.PlainDate;
  /** The latest instant at which time alone changed the contents. */
  changedByTime?: Temporal.Instant;
  /** The next such instant; undefined when only a write can change them. */
  validUntil?: Temporal.Instant;
}>;

/** Today where the plan's first term is, and the instants at which it begins and ends. */
function dayIn(plan: Plan, now: Temporal.Instant) {
  const zone = requireZone(plan.terms[0]?.tzid ?? 'UTC');
  const today = toWall(zone, now).toPlainDate();
  const begins = (day: Temporal.PlainDate) => toInstant(zone, day.toPlainDateTime());
  return { today, begins: begins(today), ends: begins(today.add({ days: 1 })) };
}

/** What an outlet holds at an instant. Drafts and unreleased work stay out of it, even out of the staff's own feed. */
export function outletContents(
  outlet: Outlet,
  viewer: Viewer,
  plan: Plan,
  now: Temporal.Instant,
): OutletContents {
  const seen = seenPlan(viewer, plan, now);
  const kinds: ReadonlySet<string> = new Set(outlet.kinds);
  const day = outlet.daysBack === undefined ? undefined : dayIn(plan, now);
  const boundaries = [
    ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : boundariesOf(entry))),
    ...plan.entries.flatMap((entry) => (entry.kind === 'assignment' ? ownBoundaries(entry) : [])),
    ...plan.materials.flatMap(({ visibleFrom }) => (visibleFrom ? [visibleFrom.at] : [])),
    ...plan.tombstones.map(forgottenAt),
    ...(day ? [day.begins, day.ends] : []),
  ].sort(Temporal.Instant.compare);
  const passed = (at: Temporal.Instant) => Temporal.Instant.compare(at, now) <= 0;
  const shown: SeenPlan = {
    ...seen,
    entries: seen.entries.filter((entry) => entry.release === 'shown'),
    sheets: seen.sheets.filter((sheet) => sheet.release === 'shown'),
    // A closure that a calendar asks for stands for its day; without closures the calendar speaks for itself.
    closures: kinds.has('closure') ? seen.closures : [],
    tombstones: seen.tombstones.filter((tombstone) => !passed(forgottenAt(tombstone))),
  };
  const placed = outlet.audience === 'personal' || outlet.places ? shown : withoutPlaces(shown);
  return {
    plan: outlet.detail === 'titles' ? titlesOnly(placed) : placed,
    // Other outlets have outside calendars by their own ticks: what is not ticked is not seen.
    has: (kind) => kinds.has(kind) || (outlet.audience !== 'personal' && kind === 'outside'),
    times: outlet.audience === 'personal' ? 'days' : outlet.times,
    tags: outlet.tags,
    reminders: outlet.reminders,
    since: day && day.today.subtract({ days: outlet.daysBack! }),
    changedByTime: boundaries.findLast(passed),
    validUntil: boundaries.find((at) => !passed(at)),
  };
}
