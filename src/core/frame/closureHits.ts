import type { Closure } from '../time/closure';
import { closes, concernsCourse, isOn } from '../time/closure';
import type { Meeting } from '../time/meetings';
import type { Course, Plan, Section } from '../plan/plan';
import type { AssignmentEntry } from '../entries/entry';
import type { Sheet, Slot } from '../signup/sheet';
import type { ZoneLookup } from '../time/zone';
import { toWall } from '../time/zone';
import { dayOf, isDay } from '../time/zonedWall';

/** What a closure hits in one course. */
export type ClosureHits = Readonly<{
  course: Course;
  meetings: readonly Readonly<{ section: Section; meeting: Meeting }>[];
  due: readonly AssignmentEntry[];
  taken: readonly Readonly<{ sheet: Sheet; slot: Slot }>[];
}>;

/** What a closure, not yet saved, would hit: classes that go, work due on its days, times that somebody took. */
export function closureHits(closure: Closure, plan: Plan, zoneOf: ZoneLookup): ClosureHits[] {
  return plan.courses
    .filter((course) => course.term === closure.term && concernsCourse(closure, course.id))
    .map((course) => ({
      course,
      meetings: course.sections.flatMap((section) =>
        section.meetings
          .filter((meeting) => meeting.cancelled === undefined && closes(closure, meeting))
          .map((meeting) => ({ section, meeting })),
      ),
      due: plan.entries.filter(
        (entry): entry is AssignmentEntry =>
          entry.kind === 'assignment' &&
          entry.audience.some((part) => part.course === course.id) &&
          (isDay(entry.due) || !closure.closesAt
            ? isOn(closure, dayOf(entry.due))
            : closes(closure, {
                date: dayOf(entry.due),
                start: entry.due.wall.toPlainTime(),
                end: entry.due.wall.toPlainTime(),
              })),
      ),
      taken: plan.sheets
        .filter((sheet) => sheet.audience.some((part) => part.course === course.id))
        .flatMap((sheet) =>
          sheet.slots
            .filter((slot) => {
              const start = toWall(zoneOf(sheet.tzid), slot.interval.start);
              const end = toWall(zoneOf(sheet.tzid), slot.interval.end);
              const place = { date: start.toPlainDate(), start: start.toPlainTime(), end: end.toPlainTime() };
              return slot.bookings.length > 0 && closes(closure, place);
            })
            .map((slot) => ({ sheet, slot })),
        ),
    }))
    .filter((hits) => hits.meetings.length + hits.due.length + hits.taken.length > 0);
}
