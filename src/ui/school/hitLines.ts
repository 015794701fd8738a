import { closureHits } from '@/core/frame/closureHits';
import { openDayAfter } from '@/core/frame/openDayAfter';
import type { CourseId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import type { WaitingPlan } from '@/core/plan/waitingPlans';
import { waitingPlans } from '@/core/plan/waitingPlans';
import { courseTexts } from '@/core/texts/school';
import type { Closure } from '@/core/time/closure';
import { concernsPart } from '@/core/time/closure';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import { dayOf } from '@/core/time/zonedWall';

/** Something that a closure hits, with what can be done about it in one click. */
export type HitChoice = Readonly<{ id: string; closure: string; what: string }> &
  (
    | Readonly<{ kind: 'due'; days: number; next: string }>
    | Readonly<{ kind: 'time' }>
    | Readonly<{ kind: 'plan'; section: string; to?: string; next: string }>
  );

/** What stands on closed days of a course: class plans that lost their class, work due, times that somebody took. */
export function hitLines(
  plan: Plan,
  course: CourseId,
  { zoneOf, nowMs }: { zoneOf: ZoneLookup; nowMs: number },
): HitChoice[] {
  const { locale } = plan;
  const own = plan.courses.find((c) => c.id === course);
  const waiting = own ? waitingPlans(own, plan.classPlans) : [];
  return [...waiting.map(waitingLine), ...plan.closures.flatMap(hitBy)];

  function waitingLine({ plan: classPlan, section, next }: WaitingPlan): HitChoice {
    return {
      kind: 'plan',
      id: classPlan.id,
      section: section.id,
      to: next?.id,
      next: next ? dateLabel(next.date, 'short', locale) : '',
      closure: courseTexts.lostClass({ section: section.name }),
      what: classPlan.title,
    };
  }
  function hitBy(closure: Closure): HitChoice[] {
    return closureHits(closure, plan, zoneOf)
      .filter((hits) => hits.course.id === course)
      .flatMap(({ due, taken }): HitChoice[] => [
        ...due.map((entry): HitChoice => {
          const closed = plan.closures.filter((c) => entry.audience.some((part) => concernsPart(c, part)));
          const next = openDayAfter(dayOf(entry.due), closed);
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
      ]);
  }
}
