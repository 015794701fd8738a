import type { PersonId } from '../ids';
import type { CheckedEntry, Enrolled } from './check';
import { groupBy } from '../groupBy';

/** Whom an audience reaches, by the rosters of the courses that are known; worked out once for each. */
export function checkedPeople(
  enrolled: readonly Enrolled[],
): (entry: Pick<CheckedEntry, 'audience'>) => ReadonlySet<PersonId> {
  const byCourse = groupBy(enrolled, ({ course }) => course);
  const known = new Map<string, ReadonlySet<PersonId>>();
  return (entry) => {
    const key = JSON.stringify(entry.audience);
    const found = known.get(key);
    if (found) return found;
    const people = entry.audience.flatMap(({ course, sections, groups, people: named }) =>
      (byCourse.get(course) ?? []).filter((student) => {
        if (!sections && !groups && !named) return true;
        const inSection = student.section !== undefined && sections?.includes(student.section);
        return (
          inSection || groups?.some((g) => student.groups.includes(g)) || named?.includes(student.person)
        );
      }),
    );
    const set = new Set(people.map(({ person }) => person));
    known.set(key, set);
    return set;
  };
}

/** How many are in both. */
export function inBoth(a: ReadonlySet<PersonId>, b: ReadonlySet<PersonId>): number {
  const [few, many] = a.size < b.size ? [a, b] : [b, a];
  let count = 0;
  for (const person of few) if (many.has(person)) count += 1;
  return count;
}
