import { groupBy } from '../groupBy';
import type { CourseId } from '../ids';
import type { Term } from '../time/term';
import type { Course } from './plan';

/** What a course is called among others: `key` in addresses, `name` where its code stands, `title` beside its tag. */
export type CourseName = Readonly<{ key: string; name: string; title: string }>;

type Named = Pick<Course, 'id' | 'code' | 'tag' | 'title' | 'term'>;

/**
 * Names by which courses are told apart. A code that only one of them has is its name; where several have it, the term is said,
 * within one term the title, and where even that is the same, a number; titles beside tags likewise. Addresses hold the code
 * where it means one course, else its id.
 */
export function courseNames(
  courses: readonly Named[],
  terms: readonly Pick<Term, 'id' | 'name'>[],
): ReadonlyMap<CourseId, CourseName> {
  const termName = new Map(terms.map(({ id, name }) => [id, name]));
  const inTerm = (text: string, { term }: Named) => `${text}, ${termName.get(term) ?? ''}`;
  const names = toldApart(courses, ({ code }) => code, [
    (course) => inTerm(course.code, course),
    ({ code, title }) => `${code} ${title}`,
    (course) => inTerm(`${course.code} ${course.title}`, course),
  ]);
  // Told apart by their tags, too, which stand before them.
  const titles = toldApart(courses, ({ tag, title }) => `${tag} ${title}`, [
    (course) => inTerm(`${course.tag} ${course.title}`, course),
    ({ tag, title, code }) => `${tag} ${title} (${code})`,
    (course) => inTerm(`${course.tag} ${course.title} (${course.code})`, course),
  ]);
  const codes = groupBy(courses, ({ code }) => code);
  return new Map(
    courses.map((course) => [
      course.id,
      {
        key: codes.get(course.code)!.length === 1 ? course.code : course.id,
        name: names.get(course.id)!,
        title: titles.get(course.id)!.slice(course.tag.length + 1),
      },
    ]),
  );
}

/** What each is called: shortly, where no other is called so; else by the first way in which its namesakes differ, or a number. */
function toldApart(
  courses: readonly Named[],
  shortly: (course: Named) => string,
  ways: readonly ((course: Named) => string)[],
): ReadonlyMap<CourseId, string> {
  const told = new Map<CourseId, string>();
  for (const [short, same] of groupBy(courses, shortly)) {
    const way = [shortly, ...ways].find((nameOf) => new Set(same.map(nameOf)).size === same.length);
    for (const [i, course] of same.entries()) told.set(course.id, way ? way(course) : `${short} (${i + 1})`);
  }
  return told;
}

/** The course that an address names, by its id or its code; of several with one code, the one of the given term. */
export const courseByKey = <T extends Named>(
  courses: readonly T[],
  key: string,
  term?: Pick<Term, 'id'>,
): T | undefined =>
  courses.find(({ id }) => id === key) ??
  courses.find((course) => course.code === key && course.term === term?.id) ??
  courses.find(({ code }) => code === key);
