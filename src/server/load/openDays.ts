import { audienceOf } from '@/core/entries/entry';
import { isStaffOf } from '@/core/entries/viewer';
import type { CourseId, EntryId } from '@/core/ids';
import { ALARM } from '@/core/load/loadItem';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { isOn, isWhole } from '@/core/time/closure';
import { entryById } from '@/data/entries/entries';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { CourseLoad } from './courseLoad';
import { courseLoad } from './courseLoad';

/** Whether work can well be due on a day: a weekday on which no closure lies. */
export function isOpenDay({ dates, closures }: Pick<CourseLoad, 'dates' | 'closures'>, day: number): boolean {
  const date = dates[day];
  return (
    date !== undefined &&
    date.dayOfWeek <= 5 &&
    !closures.some((closure) => isWhole(closure) && isOn(closure, date))
  );
}

/** The days of a term as somebody who chooses one needs them. */
const daysOfLoad = (load: CourseLoad) =>
  load.days.map(({ concerned, alarmed }, day) => ({
    date: load.dates[day]!.toString(),
    concerned,
    alarmed,
    open: isOpenDay(load, day),
  }));

type DayOfLoad = ReturnType<typeof daysOfLoad>[number];

/** The days for something that is being dated: of a course, or, for an entry that is being moved, of the first that it is for. */
export async function daysFor(
  pembit: Pembit,
  actor: SignedIn,
  { course, without }: Readonly<{ course?: CourseId; without?: EntryId }>,
): Promise<Outcome<Readonly<{ students: number; days: readonly DayOfLoad[] }>>> {
  const entry = course || !without ? undefined : await entryById(pembit, without);
  const own =
    course ?? (entry && audienceOf(entry).find((part) => isStaffOf(actor.viewer, part.course))?.course);
  if (!own) return refused('notFound');
  const load = await courseLoad(pembit, actor, own, { alarm: ALARM - 1, without });
  return load.ok ? done({ students: load.value.students, days: daysOfLoad(load.value) }) : load;
}
