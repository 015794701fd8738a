import { isOn } from '@/core/time/closure';
import type { CourseLoad } from './courseLoad';

/** Whether work can well be due on a day: a weekday on which no closure lies. */
export function isOpenDay({ dates, closures }: Pick<CourseLoad, 'dates' | 'closures'>, day: number): boolean {
  const date = dates[day];
  return (
    date !== undefined &&
    date.dayOfWeek <= 5 &&
    !closures.some((closure) => !closure.closesAt && isOn(closure, date))
  );
}

/** The days of a term as somebody who chooses one needs them. */
export const daysOfLoad = (load: CourseLoad) =>
  load.days.map(({ concerned, alarmed }, day) => ({
    date: load.dates[day]!.toString(),
    concerned,
    alarmed,
    open: isOpenDay(load, day),
  }));
