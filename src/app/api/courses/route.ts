import { newCourseInput } from '@/core/frame/frameInput';
import { addCourse } from '@/server/frame/courses';
import { endpoint } from '../endpoint';

/** Adds a course with its sections, for the administrator. */
export const POST = endpoint({ who: 'person', body: newCourseInput }, async ({ pembit, actor, body }) => {
  const outcome = await addCourse(pembit, actor, body);
  return outcome.ok ? { ...outcome, status: 201 } : outcome;
});
