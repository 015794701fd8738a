import { Temporal } from 'temporal-polyfill';
import type { Course } from '../plan/plan';
import type { Term } from '../time/term';

/** The course whose plan is most likely meant: of the same code, else the same title, the latest before; else any other. */
export function likelySource<C extends Pick<Course, 'id' | 'code' | 'title' | 'term'>>(
  to: C,
  courses: readonly C[],
  terms: readonly Pick<Term, 'id' | 'startsOn'>[],
): C | undefined {
  const starts = (course: C) => terms.find(({ id }) => id === course.term)?.startsOn;
  const others = courses
    .filter(({ id }) => id !== to.id)
    .sort((a, b) => {
      const [x, y] = [starts(a), starts(b)];
      return x && y ? Temporal.PlainDate.compare(y, x) : 0;
    });
  const earlier = others.filter((course) => {
    const [own, next] = [starts(course), starts(to)];
    return own && next && Temporal.PlainDate.compare(own, next) < 0;
  });
  return (
    earlier.find(({ code }) => code === to.code) ??
    earlier.find(({ title }) => title === to.title) ??
    earlier[0] ??
    others[0]
  );
}
