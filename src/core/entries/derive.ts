import type { Course } from '../plan/plan';
import { requireZone } from '../time/zoneData';
import { withClassDates } from './classDates';
import type { Entry } from './entry';
import type { EntryFacts, SharedFacts, Stamps } from './facts';
import { withInstants } from './visibility';

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

const datedIn = (facts: SharedFacts, courses: readonly Course[]): SharedFacts =>
  facts.kind === 'assignment' ? withClassDates(facts, courses) : facts;

/** Whether what follows from the facts hangs on the classes of the courses. */
export const followsClasses = (facts: EntryFacts): boolean =>
  facts.kind === 'assignment' && facts.atClass !== undefined;
