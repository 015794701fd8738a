import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId } from '../ids';
import type { ClassPlan } from '../plan/classPlan';
import type { Course, Plan, Section } from '../plan/plan';
import type { Sheet, Slot } from '../signup/sheet';
import type { Meeting } from '../time/meetings';
import type { ZoneLookup } from '../time/zone';
import { instantMs, toWall } from '../time/zone';

/** Who is away, and when: days, both included; `now` leaves out what is over or goes on already. */
export type Away = Readonly<{
  person: PersonId;
  from: Temporal.PlainDate;
  to: Temporal.PlainDate;
  now: Temporal.Instant;
  /** Whether the person holds the classes of a course, or of a section of it. */
  teaches: (course: CourseId, section: Section['id']) => boolean;
}>;

/** What does not take place while somebody is away: classes, each with its plan, and times that the person holds. */
export type AwayHits = Readonly<{
  classes: readonly Readonly<{ course: Course; section: Section; meeting: Meeting; plan?: ClassPlan }>[];
  times: readonly Readonly<{ sheet: Sheet; slot: Slot }>[];
}>;

const isWithin = (day: Temporal.PlainDate, { from, to }: Away) =>
  Temporal.PlainDate.compare(day, from) >= 0 && Temporal.PlainDate.compare(day, to) <= 0;

/** Whether somebody holds a time: its own host, else one of those of the sheet. */
const holds = ({ person }: Away, { hosts }: Sheet, { host }: Slot): boolean =>
  host ? host === person : hosts.length === 1 && hosts[0]!.id === person;

/**
 * Classes that the person teaches and times that they hold, still to come, in the order of time. A time that several hold
 * together takes place without one of them.
 */
export function awayHits(away: Away, plan: Plan, zoneOf: ZoneLookup): AwayHits {
  const nowMs = away.now.epochMilliseconds;
  const zones = new Map(plan.terms.map(({ id, tzid }) => [id, zoneOf(tzid)]));
  const planOf = new Map(
    plan.classPlans.flatMap((p) => p.bindings.map(({ meeting }) => [meeting, p] as const)),
  );
  const classes = plan.courses
    .filter((course) => !course.archived)
    .flatMap((course) =>
      course.sections
        .filter(({ id }) => away.teaches(course.id, id))
        .flatMap((section) =>
          section.meetings.flatMap((meeting) => {
            if (meeting.until) return [];
            const at = instantMs(zones.get(course.term)!, meeting.date.toPlainDateTime(meeting.start));
            const hit = meeting.cancelled === undefined && isWithin(meeting.date, away) && at > nowMs;
            return hit ? [{ at, course, section, meeting, plan: planOf.get(meeting.id) }] : [];
          }),
        ),
    )
    .sort((a, b) => a.at - b.at)
    .map(({ at: _, ...own }) => own);
  const times = plan.sheets
    .flatMap((sheet) =>
      sheet.slots
        .filter(
          (slot) =>
            slot.interval.start.epochMilliseconds > nowMs &&
            holds(away, sheet, slot) &&
            isWithin(toWall(zoneOf(sheet.tzid), slot.interval.start).toPlainDate(), away),
        )
        .map((slot) => ({ sheet, slot })),
    )
    .sort((a, b) => Temporal.Instant.compare(a.slot.interval.start, b.slot.interval.start));
  return { classes, times };
}
