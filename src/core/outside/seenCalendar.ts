import type { Viewer } from '../entries/viewer';
import { isStaffOf } from '../entries/viewer';
import type { CalendarId, CourseId } from '../ids';
import type { Course } from '../plan/plan';
import type { OutsideCalendar } from './outsideCalendar';

/** A calendar as one viewer may see it: beside which of the viewer's courses. */
export type SeenCalendar = OutsideCalendar & Readonly<{ beside: readonly CourseId[]; asStaff: boolean }>;

/** Staff see every calendar of their courses; students those that everyone may see, outlets those of them that are ticked. */
export function seenCalendar(
  viewer: Viewer,
  calendar: OutsideCalendar,
  courses: readonly Course[],
): SeenCalendar | undefined {
  if (!calendar.active) return undefined;
  const beside = courses.filter((course) =>
    calendar.wholeTerm ? course.term === calendar.term : calendar.courses.includes(course.id),
  );
  const asStaff = beside.some((course) => isStaffOf(viewer, course.id));
  const open = calendar.seenBy === 'everyone' && (viewer.kind === 'person' || isTicked(viewer, calendar.id));
  if (beside.length === 0 || (!asStaff && !open)) return undefined;
  return { ...calendar, beside: beside.map((course) => course.id), asStaff };
}

const isTicked = (viewer: Exclude<Viewer, { kind: 'person' }>, id: CalendarId) => viewer.calendars.has(id);
