import { Temporal } from 'temporal-polyfill';
import type { Closure } from '../time/closure';
import { closes, concernsPart, concernsSection, isOn } from '../time/closure';
import type { Meeting } from '../time/meetings';
import { plannedMeetings } from '../time/meetings';
import type { Course, Plan, Section } from '../plan/plan';
import type { CourseId } from '../ids';
import type { AssignmentEntry, CourseAudience, EventEntry } from '../entries/entry';
import { mainMoment } from '../entries/entry';
import type { ClassPlan } from '../plan/classPlan';
import type { Sheet, Slot } from '../signup/sheet';
import type { ZoneLookup } from '../time/zone';
import { toWall } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay } from '../time/zonedWall';

/** What a closure hits in one course. */
export type ClosureHits = Readonly<{
  course: Course;
  meetings: readonly Readonly<{ section: Section; meeting: Meeting }>[];
  /** How many classes of rotating days move to another date, since a closed day passes its letter on. */
  moving: number;
  due: readonly AssignmentEntry[];
  taken: readonly Readonly<{ sheet: Sheet; slot: Slot }>[];
  /** Times that nobody took. */
  free: readonly Readonly<{ sheet: Sheet; slot: Slot }>[];
  /** Plans that lose their class in a section, the earliest first. */
  plans: readonly Readonly<{ plan: ClassPlan; section: Section; meeting: Meeting }>[];
  /** Events that do not repeat and begin then. */
  events: readonly EventEntry[];
}>;

/**
 * What becomes of a section's classes of rotating days: those that no day of the term has any more, and how many move. Nothing
 * where days do not rotate.
 */
function turnsHit(course: CourseId, section: Section, closure: Closure, plan: Plan) {
  const term = plan.terms.find(({ id }) => id === closure.term);
  if (!term?.cycle) return undefined;
  const others = plan.closures.filter(
    (other) =>
      other.term === term.id && other.id !== closure.id && concernsSection(other, course, section.id),
  );
  const after = new Map(
    plannedMeetings(term, section, [...others, closure]).map(({ key, date }) => [key, date.toString()]),
  );
  const turns = section.meetings.filter(
    ({ key, cancelled }) => cancelled === undefined && key.startsWith('turn-'),
  );
  return {
    lost: new Set(turns.filter(({ key }) => !after.has(key)).map(({ id }) => id)),
    moving: turns.filter(
      ({ key, date, moved }) => !moved && after.has(key) && after.get(key) !== date.toString(),
    ).length,
  };
}

/** What a closure, not yet saved, would hit: classes that go with their plans, work due on its days, times, events. */
export function closureHits(closure: Closure, plan: Plan, zoneOf: ZoneLookup): ClosureHits[] {
  const onClosed = (moment: Moment): boolean => {
    if (isDay(moment)) return !closure.online && isOn(closure, dayOf(moment));
    const at = moment.wall.toPlainTime();
    // What has no length is hit as what lasts a minute is.
    return closes(closure, { date: dayOf(moment), start: at, end: at.add({ minutes: 1 }) });
  };
  const isHit = (sheet: Sheet, { interval }: Slot): boolean => {
    const start = toWall(zoneOf(sheet.tzid), interval.start);
    const end = toWall(zoneOf(sheet.tzid), interval.end);
    return closes(closure, { date: start.toPlainDate(), start: start.toPlainTime(), end: end.toPlainTime() });
  };
  const planOf = new Map(
    plan.classPlans.flatMap((p) => p.bindings.map(({ meeting }) => [meeting, p] as const)),
  );
  return plan.courses
    .filter((course) => course.term === closure.term && (!closure.course || closure.course === course.id))
    .map((course) => {
      const isOf = (item: { audience: readonly CourseAudience[] }) =>
        item.audience.some((part) => part.course === course.id && concernsPart(closure, part));
      let moving = 0;
      const concerned = course.sections.filter(({ id }) => concernsSection(closure, course.id, id));
      const meetings = concerned.flatMap((section) => {
        const turns = turnsHit(course.id, section, closure, plan);
        moving += turns?.moving ?? 0;
        return section.meetings
          .filter((meeting) =>
            turns && meeting.key.startsWith('turn-')
              ? turns.lost.has(meeting.id)
              : meeting.cancelled === undefined && closes(closure, meeting),
          )
          .map((meeting) => ({ section, meeting }));
      });
      const times = plan.sheets
        .filter(isOf)
        .flatMap((sheet) =>
          sheet.slots.filter((slot) => isHit(sheet, slot)).map((slot) => ({ sheet, slot })),
        );
      return {
        course,
        meetings,
        moving,
        plans: [...meetings]
          .sort((a, b) => Temporal.PlainDate.compare(a.meeting.date, b.meeting.date))
          .flatMap(({ section, meeting }) => {
            const own = planOf.get(meeting.id);
            return own ? [{ plan: own, section, meeting }] : [];
          }),
        due: plan.entries.filter(
          (entry): entry is AssignmentEntry =>
            entry.kind === 'assignment' && isOf(entry) && onClosed(entry.due),
        ),
        events: plan.entries.filter(
          (entry): entry is EventEntry =>
            entry.kind === 'event' &&
            !entry.recurrence &&
            entry.cancelled === undefined &&
            isOf(entry) &&
            onClosed(mainMoment(entry)),
        ),
        taken: times.filter(({ slot }) => slot.bookings.length > 0),
        free: times.filter(({ slot }) => slot.bookings.length === 0),
      };
    })
    .filter(
      ({ meetings, moving, due, taken, free, events }) =>
        meetings.length + moving + due.length + taken.length + free.length + events.length > 0,
    );
}
