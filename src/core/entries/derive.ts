import type { Temporal } from 'temporal-polyfill';
import type { Course } from '../plan/plan';
import { settled } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { ZonedWall } from '../time/zonedWall';
import { isSecondPass } from '../time/zonedWall';
import { withClassDates } from './classDates';
import type { Entry } from './entry';
import type { EntryFacts, SharedFacts, Stamps } from './facts';
import { mapMoments } from './mapMoments';
import { hiddenAfterOf, withInstants } from './visibility';

/**
 * An entry as it follows from its facts and its courses: dates that follow a class where the classes are, instants by the
 * zone. What was derived before does not count. `courses` are needed where a date follows a class.
 */
export function derived(
  facts: EntryFacts,
  courses: readonly Course[],
  { sequence, created, lastModified }: Stamps,
): Entry {
  const stamps = { sequence, created, lastModified };
  const settledFacts = inPass(facts);
  if (settledFacts.kind === 'note') return { ...settledFacts, ...stamps };
  return { ...withInstants(datedIn(settledFacts, courses), requireZone(facts.tzid)), ...stamps };
}

/**
 * Times that are the second of two only where the clocks show them twice: what was moved to another night is no second there.
 * A series goes by the clock alone; its single occurrences need not.
 */
function inPass(facts: EntryFacts): EntryFacts {
  let any = false;
  const wall = (at: ZonedWall): ZonedWall => {
    if (!isSecondPass(at.wall)) return at;
    any = true;
    return { ...at, wall: settled(requireZone(at.tzid), at.wall) };
  };
  const change = { wall, day: (day: Temporal.PlainDate) => day };
  const own = mapMoments(facts, change, change);
  if (!any) return facts;
  if (own.kind !== 'event' || !own.recurrence || own.when.kind !== 'timed') return own;
  const { start, end } = own.when;
  return {
    ...own,
    when: { kind: 'timed', start: firstPass(start), ...(end ? { end: firstPass(end) } : {}) },
  };
}

const firstPass = (at: ZonedWall): ZonedWall =>
  isSecondPass(at.wall) ? { ...at, wall: at.wall.with({ nanosecond: 0 }) } : at;

function datedIn(facts: SharedFacts, courses: readonly Course[]): SharedFacts {
  if (facts.kind !== 'assignment') return facts;
  const zone = requireZone(facts.tzid);
  const extensions = facts.extensions.map((e) =>
    e.hiddenAfter ? { ...e, hiddenAfter: hiddenAfterOf(e.hiddenAfter.wall, zone) } : e,
  );
  return { ...withClassDates(facts, courses), extensions };
}

/** Whether what follows from the facts hangs on the classes of the courses. */
export const followsClasses = (facts: EntryFacts): boolean =>
  facts.kind === 'assignment' && facts.atClass !== undefined;
