import { z } from 'zod';
import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { newCourseInput } from '@/core/frame/frameInput';
import { addCourse } from '@/server/frame/courses';
import { endpoint } from '../endpoint';
import { courseRecord, pageOf } from '../records';

/** Adds a course with its sections, for the administrator. */
export const POST = endpoint(
  {
    who: 'person',
    body: newCourseInput,
    answer: z.object({ id: z.string(), code: z.string(), meetings: z.number() }),
  },
  async ({ pembit, actor, body }) => {
    const outcome = await addCourse(pembit, actor, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);

/** The courses that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(courseRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'courses', query),
);
