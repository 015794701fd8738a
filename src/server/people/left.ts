import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '@/core/ids';
import { outletContents } from '@/core/outlets/outletContents';
import { feedEvents } from '@/core/outlets/feedEvents';
import type { Addresses } from '@/core/outlets/eventParts';
import type { Outlet } from '@/core/outlets/outlet';
import type { VTombstone } from '@/core/icalendar/calendar';
import type { Viewer } from '@/core/entries/viewer';
import { requireZone } from '@/core/time/zoneData';
import type { Left } from '@/data/people/departures';
import { leftLately } from '@/data/people/departures';
import { keptPlan } from '../plan/keptPlan';
import type { Pembit } from '../pembit';

/** The courses that somebody left lately. */
export const leftBy = (pembit: Pembit, person: PersonId): Promise<Left[]> =>
  leftLately(pembit, person, pembit.now());

/** Somebody as they were in a course that they left: in their section, of which groups is not known any more. */
const asTheyWere = (id: PersonId, { course, section }: Left): Viewer => ({
  kind: 'person',
  id,
  staffOf: new Set(),
  instructs: new Set(),
  helps: new Map(),
  memberOf: new Map([[course, section]]),
  groups: new Set(),
});

/** What somebody's own feed calls off of the courses that they left: all that it held of them. */
export async function calledOffForLeft(
  pembit: Pembit,
  { outlet, person, left, addresses }: Readonly<{ outlet: Outlet; person: PersonId; left: readonly Left[]; addresses: Addresses }>,
): Promise<VTombstone[]> {
  const gone = new Map<string, VTombstone>();
  for (const each of left) {
    const plan = await keptPlan(pembit, [each.course]);
    const contents = outletContents(outlet, asTheyWere(person, each), plan, pembit.now());
    const at = each.at.toInstant();
    const before = (then: Temporal.Instant) => Temporal.Instant.compare(then, at) <= 0;
    for (const { uid, dtstart, sequence, summary, recurrenceId, created, lastModified } of feedEvents(contents, addresses, requireZone))
      // What has been planned since is nothing to them. The sequence stays: whoever comes back is told nothing older.
      if (!recurrenceId && before(created))
        gone.set(uid, { uid, dtstamp: at, dtstart, sequence, ...(before(lastModified) ? { summary } : {}) });
  }
  return [...gone.values()];
} // prettier-ignore
