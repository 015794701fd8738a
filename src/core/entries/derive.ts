import type { Course } from '../plan/plan';
import { requireZone } from '../time/zoneData';
import { withClassDates } from './classDates';
import type { Entry } from './entry';
import type { EntryFacts, SharedFacts, Stamps } from './facts';
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
  if (facts.kind === 'note') return { ...facts, ...stamps };
  return { ...withInstants(datedIn(facts, courses), requireZone(facts.tzid)), ...stamps };
}

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
