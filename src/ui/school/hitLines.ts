import { closureHits } from '@/core/frame/closureHits';
import { openDayAfter } from '@/core/frame/openDayAfter';
import type { CourseId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import { dayOf } from '@/core/time/zonedWall';

/** Something that a closure hits, with what can be done about it in one click. */
export type HitChoice = Readonly<{ id: string; closure: string; what: string }> &
  (Readonly<{ kind: 'due'; days: number; next: string }> | Readonly<{ kind: 'time' }>);

/** What stands on closed days of a course from now on: work due, and times that somebody took. */
export function hitLines(
  plan: Plan,
  course: CourseId,
  { zoneOf, nowMs }: { zoneOf: ZoneLookup; nowMs: number },
): HitChoice[] {
  const { locale } = plan;
  return plan.closures.flatMap((closure) =>
    closureHits(closure, plan, zoneOf)
      .filter((hits) => hits.course.id === course)
      .flatMap(({ due, taken }): HitChoice[] => [
        ...due.map((entry): HitChoice => {
          const next = openDayAfter(dayOf(entry.due), plan.closures);
          return {
            kind: 'due',
            id: entry.id,
            closure: closure.name,
            what: `${entry.title}, ${momentLabel(entry.due, locale)}`,
            days: dayOf(entry.due).until(next, { largestUnit: 'days' }).days,
            next: dateLabel(next, 'short', locale),
          };
        }),
        ...taken
          .filter(({ slot }) => slot.interval.start.epochMilliseconds > nowMs)
          .map(({ sheet, slot }): HitChoice => ({
            kind: 'time',
            id: slot.id,
            closure: closure.name,
            what: `${sheet.title}, ${momentLabel(zonedWallAt(zoneOf(sheet.tzid), slot.interval.start), locale)}: ${slot.bookings.map((b) => b.personName).join(', ')}`,
          })),
      ]),
  );
}
