import { Temporal } from 'temporal-polyfill';
import type { CourseId } from '../ids';
import type { ZoneLookup } from '../time/zone';
import { toInstant, toWall } from '../time/zone';
import { dayOf, isDay } from '../time/zonedWall';
import type { Occurrence } from './occurrence';
import { occurrencesOf } from './occurrences';
import type { SeenPlan } from './seenPlan';
import { termOfCourse } from './seenPlan';

type OfKind<K extends Occurrence['kind']> = Extract<Occurrence, Readonly<{ kind: K }>>;

/** What somebody who came to a course late has missed of it, and what is still to be done. */
export type BeforeYouCame = Readonly<{
  /** The day they came, where the course is. */
  came: Temporal.PlainDate;
  /** The classes that took place before, by time. */
  classes: readonly OfKind<'class'>[];
  /** Work that was set before and is not due yet, by due time. */
  work: readonly OfKind<'due'>[];
}>;

/** Work whose day of setting is not known counts where it is due within so many days of coming. */
const SOON_DAYS = 14;

/** What went before somebody's coming, as they see the course; undefined where they came before the first class was over. */
export function beforeYouCame(
  plan: SeenPlan,
  { course, at, now, zoneOf }: Readonly<{ course: CourseId; at: Temporal.Instant; now: Temporal.Instant; zoneOf: ZoneLookup }>,
): BeforeYouCame | undefined {
  const term = termOfCourse(plan, course);
  if (!term) return undefined;
  const zone = zoneOf(term.tzid);
  const came = toWall(zone, at).toPlainDate();
  const own = occurrencesOf(plan, zoneOf).filter((o) => o.cancelled === undefined && o.courses.includes(course));
  const classes = own.filter((o): o is OfKind<'class'> => o.kind === 'class' && dayOf(o.start).until(came).sign > 0);
  if (classes.length === 0) return undefined;
  const open = ({ due }: Readonly<{ due: Occurrence['start'] }>) => {
    const ends = isDay(due) ? due.add({ days: 1 }).toPlainDateTime() : due.wall;
    return Temporal.Instant.compare(toInstant(zone, ends), now) > 0;
  };
  const wasSet = ({ setOn, start }: OfKind<'due'>) =>
    setOn ? setOn.until(came).sign > 0 : came.until(dayOf(start)).days <= SOON_DAYS;
  const work = own.filter((o): o is OfKind<'due'> => o.kind === 'due' && open({ due: o.start }) && wasSet(o));
  return { came, classes, work };
} // prettier-ignore
