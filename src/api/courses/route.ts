import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { newCourseInput } from '@/core/frame/frameInput';
import { addCourse } from '@/server/frame/courses';
import { endpoint } from '../endpoint';

/** Adds a course with its sections, for the administrator. */
export const POST = endpoint({ who: 'person', body: newCourseInput }, async ({ pembit, actor, body }) => {
  const outcome = await addCourse(pembit, actor, body);
  return outcome.ok ? { ...outcome, status: 201 } : outcome;
});

/** The courses that you see, a page at a time. */
export const GET = endpoint({ who: 'person', query: listQuery }, ({ pembit, actor, query }) =>
  listPage(pembit, actor, 'courses', query),
);
