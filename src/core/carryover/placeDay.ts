import { Temporal } from 'temporal-polyfill';
import { openDayAfter } from '../frame/openDayAfter';
import { concernsCourse, isOn, isWhole } from '../time/closure';
import { isIn } from '../time/term';
import type { CarryLine, CarryProblem, CoursePlan } from './carry';

type Side = Pick<CoursePlan, 'term' | 'course' | 'closures'>;

/** The closure of a course, if any, that takes away a whole day. */
export const closureOn = ({ course, closures }: Side, day: Temporal.PlainDate) =>
  closures.find((closure) => concernsCourse(closure, course.id) && isWhole(closure) && isOn(closure, day));

/** What is questionable about a day in the new term. */
export function problemOn(side: Side, day: Temporal.PlainDate): CarryProblem | undefined {
  if (Temporal.PlainDate.compare(day, side.term.startsOn) < 0) return 'beforeStart';
  if (!isIn(side.term, day)) return 'pastEnd';
  return closureOn(side, day) ? 'closure' : undefined;
}

/**
 * Where something lands: on the day that was chosen, else on the one that was found; from a closure it goes to the next open
 * day, unless it lay on a closure before.
 */
export function placeDay(
  found: Temporal.PlainDate,
  { chosen, before, after, old }: Readonly<{ chosen?: Temporal.PlainDate; before: Side; after: Side; old: Temporal.PlainDate }>, // prettier-ignore
): Required<Pick<CarryLine, 'to'>> & Pick<CarryLine, 'problem' | 'movedOff'> {
  if (chosen) return { to: chosen, problem: problemOn(after, chosen) };
  const closure = closureOn(after, found);
  if (!closure || closureOn(before, old)) return { to: found, problem: problemOn(after, found) };
  const own = after.closures.filter((c) => concernsCourse(c, after.course.id) && isWhole(c));
  const to = openDayAfter(found, own);
  return { to, problem: problemOn(after, to), movedOff: closure.name };
}
