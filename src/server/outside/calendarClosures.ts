import { randomUUID } from 'node:crypto';
import type { ClosureId, CourseId } from '@/core/ids';
import type { AskedClosure } from '@/core/outside/closuresFrom';
import { closuresFrom } from '@/core/outside/closuresFrom';
import type { OutsideCalendar } from '@/core/outside/outsideCalendar';
import type { Closure } from '@/core/time/closure';
import { closes } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import { Temporal } from 'temporal-polyfill';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { fromClosure } from '@/data/plan/frameRows';
import { closuresOfCalendar, courseIdsOf } from '@/data/plan/frameStore';
import { allTerms, loadPlan } from '@/data/plan/loadPlan';
import { refitMeetings } from '../frame/refitMeetings';

/** The courses whose classes a calendar's closures take away. */
export const coursesClosedBy = (reader: Reader, calendar: OutsideCalendar): Promise<readonly CourseId[]> =>
  calendar.wholeTerm ? courseIdsOf(reader, calendar.term) : Promise.resolve(calendar.courses);

/** The closures that a calendar asks for: of the whole term once, of courses one for each. */
export function askedClosures(calendar: OutsideCalendar, term: Term, created: Temporal.Instant): Closure[] {
  if (!calendar.active) return [];
  const owners = calendar.wholeTerm ? [undefined] : calendar.courses;
  return closuresFrom(calendar.closes, calendar.times, term).flatMap(({ source, ...asked }: AskedClosure) =>
    owners.map((course): Closure => ({
      ...asked,
      id: randomUUID() as ClosureId,
      term: term.id,
      ...(course ? { course } : {}),
      from: { calendar: calendar.id, source },
      created,
    })),
  );
}

const keyOf = ({ course, from }: Closure) => `${course ?? ''} ${from?.source}`;
const same = (a: Closure, b: Closure) =>
  a.name === b.name && a.start.equals(b.start) && a.end.equals(b.end) && String(a.closesAt) === String(b.closesAt); // prettier-ignore

/**
 * Brings the closures of a calendar in line with what it asks for now, and the classes with them. A day to which a class was
 * moved by hand is not closed under it. Answers how many closures are others.
 */
export async function fitCalendarClosures(
  change: Change,
  calendar: OutsideCalendar | undefined,
  id: string,
): Promise<number> {
  const before = await closuresOfCalendar(change, id);
  const term = calendar && (await allTerms(change)).find((t) => t.id === calendar.term);
  const now = Temporal.Instant.fromEpochMilliseconds(change.nowMs);
  const asked = calendar && term ? askedClosures(calendar, term, now) : [];
  if (before.length === 0 && asked.length === 0) return 0;
  const courses = calendar
    ? await coursesClosedBy(change, calendar)
    : [...new Set(before.flatMap(({ course }) => course ?? []))];
  const everywhere = before.some(({ course }) => course === undefined) && before[0];
  const concerned = everywhere ? await courseIdsOf(change, everywhere.term) : courses;
  const { courses: loaded } = await loadPlan(change, concerned);
  const moved = loaded
    .flatMap((course) => course.sections.map((section) => ({ course, section })))
    .flatMap(({ course, section }) => section.meetings.filter((m) => m.moved).map((meeting) => ({ course: course.id, meeting }))); // prettier-ignore
  const free = asked.filter(
    (closure) => !moved.some(({ course, meeting }) => (!closure.course || closure.course === course) && closes(closure, meeting)), // prettier-ignore
  );
  const known = new Map(before.map((closure) => [keyOf(closure), closure]));
  const wanted = new Set(free.map(keyOf));
  let changed = 0;
  for (const closure of before)
    if (!wanted.has(keyOf(closure))) {
      await change.remove('closures', closure.id);
      changed++;
    }
  for (const closure of free) {
    const old = known.get(keyOf(closure));
    if (old && same(old, closure)) continue;
    if (old)
      await change.update('closures', old.id, fromClosure({ ...closure, id: old.id, created: old.created }));
    else await change.insert('closures', [fromClosure(closure)]);
    changed++;
  }
  if (changed > 0) await refitMeetings(change, concerned);
  return changed;
}
