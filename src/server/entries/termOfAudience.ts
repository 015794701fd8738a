import type { CourseAudience } from '@/core/entries/entry';
import type { Act } from '@/core/may/acts';
import { may } from '@/core/may/may';
import type { Actor } from '@/core/may/role';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Term } from '@/core/time/term';
import type { CourseId, PersonId } from '@/core/ids';
import type { Reader } from '@/data/reader';
import { enrolledPeople } from '@/data/people/enrolment';
import { loadFrame } from '@/data/plan/loadPlan';

async function allEnrolled(reader: Reader, course: CourseId, people: readonly PersonId[]): Promise<boolean> {
  const enrolled = await enrolledPeople(reader, [course]);
  return people.every((person) => enrolled.has(person));
}

/**
 * The term whose zone an audience's times are in: that of its first course. Refused unless the actor may do the act in every
 * course named and every section belongs to its course.
 */
export async function termOfAudience(
  reader: Reader,
  actor: Actor,
  audience: readonly CourseAudience[],
  act: Act = 'planEntry',
): Promise<Outcome<{ term: Term; courses: readonly Course[] }>> {
  if (!may(actor, act, { parts: audience }).ok) return refused('notYours');
  const { courses, terms } = await loadFrame(
    reader,
    audience.map((part) => part.course),
  );
  for (const [i, part] of audience.entries()) {
    const course = courses.find((c) => c.id === part.course);
    const sections = new Set(course?.sections.map((section) => section.id));
    const groups = new Set(course?.groups.map((group) => group.id));
    if (!course || !(part.sections ?? []).every((section) => sections.has(section)))
      return refused('badRequest', [
        { field: `audience.${i}.sections`, message: 'This section is not in the course.' },
      ]);
    if (!(part.groups ?? []).every((group) => groups.has(group)))
      return refused('badRequest', [
        { field: `audience.${i}.groups`, message: 'This group is not in the course.' },
      ]);
    if (part.people && !(await allEnrolled(reader, part.course, part.people)))
      return refused('badRequest', [
        { field: `audience.${i}.people`, message: 'Somebody named here is not on the roster.' },
      ]);
  }
  const term = terms.find((t) => t.id === courses.find((c) => c.id === audience[0]?.course)?.term);
  return term ? done({ term, courses }) : refused('notFound');
}
