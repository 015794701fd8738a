import { Temporal } from 'temporal-polyfill';
import type { Course } from '../plan/plan';
import { dayOf } from '../time/zonedWall';
import { DATE_FIELDS } from './classDates';
import type { AssignmentEntry, SharedEntry } from './entry';
import { audienceOf, mainMoment } from './entry';

/**
 * By how many days an entry moves to stand n classes further (below zero: earlier) in the first section that it is for: from
 * a day without a class, the next class is one further. Undefined where there is no such class.
 */
export function daysByMeetings(
  entry: SharedEntry,
  courses: readonly Course[],
  n: number,
): number | undefined {
  const [part] = audienceOf(entry);
  const sections = courses.find((course) => course.id === part?.course)?.sections ?? [];
  const section = sections.find(({ id }) => !part?.sections || part.sections.includes(id));
  const meetings = section?.meetings ?? [];
  // Labs count apart: from class to class they are passed over, unless there are no classes.
  const classes = meetings.filter(({ strand }) => strand === undefined);
  const days = (classes.length > 0 ? classes : meetings)
    .filter((meeting) => meeting.cancelled === undefined)
    .map((meeting) => meeting.date);
  const own = dayOf(mainMoment(entry));
  const further =
    n > 0
      ? days.filter((date) => Temporal.PlainDate.compare(date, own) > 0)
      : days.filter((date) => Temporal.PlainDate.compare(date, own) < 0).reverse();
  const to = further[Math.abs(n) - 1];
  return to && own.until(to, { largestUnit: 'days' }).days;
}

/** Work whose dates follow classes, following those n further (below zero: earlier). */
export function followingFurther(entry: AssignmentEntry, n: number): AssignmentEntry {
  const { atClass } = entry;
  if (!atClass) return entry;
  const moved = DATE_FIELDS.flatMap((field) => {
    const ref = atClass[field];
    if (!ref) return [];
    const sections =
      ref.sections && Object.fromEntries(Object.entries(ref.sections).map(([id, o]) => [id, o + n]));
    return [[field, { ...ref, ordinal: ref.ordinal + n, ...(sections ? { sections } : {}) }] as const];
  });
  return { ...entry, atClass: Object.fromEntries(moved) };
}
