import type { Closure } from '../time/closure';
import { momentText } from '../time/zonedWall';
import type { OutsideCalendar, OutsideTime } from './outsideCalendar';

/** By which of its times a calendar asks for a closure. */
export const sourceOf = (time: OutsideTime): string => `${momentText(time.start)} ${time.uid}`;

/** The times of a calendar that stand for themselves: where one became a closure, that stands in its place. */
export function outsideShown(
  calendar: OutsideCalendar,
  closures: readonly Closure[],
): readonly OutsideTime[] {
  const closed = new Set(
    closures.flatMap(({ from }) => (from?.calendar === calendar.id ? [from.source] : [])),
  );
  return closed.size === 0 ? calendar.times : calendar.times.filter((time) => !closed.has(sourceOf(time)));
}
