import { Temporal } from 'temporal-polyfill';
import { isStaffOf } from '@/core/entries/viewer';
import type { CourseId, EntryId } from '@/core/ids';
import { workByWeek } from '@/core/load/hoursByWeek';
import type { DayLoad } from '@/core/load/loadByDay';
import { loadByDay } from '@/core/load/loadByDay';
import type { LoadItem } from '@/core/load/loadItem';
import { ALARM } from '@/core/load/loadItem';
import type { DueWork } from '@/core/load/loadItems';
import { loadItems } from '@/core/load/loadItems';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { hoursOf } from '@/core/time/classHours';
import type { Closure } from '@/core/time/closure';
import type { Term, TeachingWeek } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';
import { sharedTags, takenByStudentsOf } from '@/data/load/loadRows';
import { loadFrame } from '@/data/plan/loadPlan';
import { todayIn } from '../plan/todayIn';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { keptWork } from './keptWork';

export type CourseLoad = Readonly<{
  course: Course;
  term: Term;
  closures: readonly Closure[];
  students: number;
  /** From the first day of the term to the last. */
  dates: readonly Temporal.PlainDate[];
  weeks: readonly TeachingWeek[];
  /** The index in `weeks` of each day. */
  weekOf: readonly number[];
  items: readonly LoadItem[];
  days: readonly DayLoad[];
  /** What a student does for the course, and for others, in each week, in minutes. */
  workMinutes: readonly number[];
  otherMinutes: readonly number[];
  classMinutes: readonly number[];
}>;

/**
 * What the students of a course have due, over all their courses. Work of others counts once students see it; an entry that
 * is being dated can be left out.
 */
export async function courseLoad(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  { alarm = ALARM, without }: Readonly<{ alarm?: number; without?: EntryId }> = {},
): Promise<Outcome<CourseLoad>> {
  if (!isStaffOf(actor.viewer, id)) return refused('notFound');
  const { courses, terms, closures } = await loadFrame(pembit, [id]);
  const [course] = courses;
  const [term] = terms;
  if (!course || !term) return refused('notFound');
  const { startsOn, endsOn } = term;
  const length = startsOn.until(endsOn, { largestUnit: 'days' }).days + 1;
  const dates = Array.from({ length }, (_, day) => startsOn.add({ days: day }));
  const range = { from: startsOn.toString(), to: endsOn.toString() };
  const taking = await takenByStudentsOf(pembit, id);
  const taken = [...new Set([id, ...taking.map((t) => t.course)])].sort();
  const [{ work: stored, exams }, shared] = await Promise.all([
    keptWork(pembit, taken, range),
    sharedTags(pembit, taken),
  ]);
  const teaches = actor.viewer.staffOf;
  const isOwn = (due: DueWork) => due.audience.some((part) => teaches.has(part.course));
  const today = todayIn(pembit, { terms }).toString();
  const own = stored
    .filter(({ work }) => isOwn(work))
    .sort((a, b) => (a.start < b.start ? -1 : 1))
    .map(({ work }) => work);
  const ofOthers = stored.flatMap(({ work, seen }) => (!isOwn(work) && seen(today) ? [work] : []));
  const work = [...own, ...ofOthers].filter((due) => due.id !== without);
  const roster = taking.filter((t) => t.course === id).map((t) => t.person);
  const students = new Map(roster.map((person, i) => [person, i]));
  const items = loadItems([...work, ...exams], taking, {
    students,
    teaches,
    shared,
    dayOf: dayNumbers(dates),
  });
  const weeks = teachingWeeks(term);
  const offset = weeks[0]!.first.until(startsOn, { largestUnit: 'days' }).days;
  const weekOf = dates.map((_, day) => Math.floor((day + offset) / 7));
  const counted = { weekOf, students: students.size };
  return done({
    course,
    term,
    closures: closures.filter(({ sections }) => !sections),
    students: students.size,
    dates,
    weeks,
    weekOf,
    items,
    days: loadByDay(items, { days: length, students: students.size, alarm }),
    workMinutes: workByWeek(items.filter((item) => item.course === id), counted), // prettier-ignore
    otherMinutes: workByWeek(items.filter((item) => item.course !== id), counted), // prettier-ignore
    classMinutes: classMinutes(course, { startsOn, weekOf }),
  });
}

/** The number of a day by its text; days outside the term lie before or behind it. */
function dayNumbers(dates: readonly Temporal.PlainDate[]): (date: string) => number {
  const numbers = new Map(dates.map((date, day) => [date.toString(), day]));
  const first = dates[0]!;
  return (text) => numbers.get(text) ?? first.until(Temporal.PlainDate.from(text), { largestUnit: 'days' }).days; // prettier-ignore
}

/** Minutes of class in each week, on average over the sections. */
function classMinutes(
  { sections }: Course,
  { startsOn, weekOf }: Readonly<{ startsOn: Temporal.PlainDate; weekOf: readonly number[] }>,
): number[] {
  const weeks = new Array<number>((weekOf.at(-1) ?? -1) + 1).fill(0);
  for (const { meetings } of sections)
    for (const { date, start, end, until, cancelled } of meetings) {
      const week = weekOf[startsOn.until(date, { largestUnit: 'days' }).days];
      // A teaching week that is planned as a whole has no hours of class.
      if (cancelled === undefined && !until && week !== undefined)
        weeks[week]! += (hoursOf({ start, end }) * 60) / sections.length;
    }
  return weeks;
}
