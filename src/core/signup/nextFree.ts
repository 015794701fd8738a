import { Temporal } from 'temporal-polyfill';
import type { CourseId } from '../ids';
import type { ZoneLookup } from '../time/zone';
import { shutFor } from './decideBooking';
import type { SeenSheet, SeenSlot } from './seenSheet';
import { freeOf } from './seenSheet';

export type FreeTime = Readonly<{ sheet: SeenSheet; slot: SeenSlot }>;

/** The first time that a student may take now on the sheets of some courses; undefined where there is none. */
export function nextFree(
  sheets: readonly SeenSheet[],
  courses: readonly CourseId[],
  { now, zoneOf }: Readonly<{ now: Temporal.Instant; zoneOf: ZoneLookup }>,
): FreeTime | undefined {
  const free = sheets
    .filter(({ asStaff, audience }) => !asStaff && audience.some(({ course }) => courses.includes(course)))
    .flatMap((sheet) => {
      const at = { now, zone: zoneOf(sheet.tzid) };
      return sheet.slots
        .filter((slot) => freeOf(slot) > 0 && !slot.mine && !shutFor(sheet.rules, slot, at))
        .map((slot) => ({ sheet, slot }));
    });
  return free.sort((a, b) => Temporal.Instant.compare(a.slot.interval.start, b.slot.interval.start))[0];
}
