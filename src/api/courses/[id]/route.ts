import { z } from 'zod';
import { courseInput } from '@/core/frame/frameInput';
import { courseId } from '@/core/ids';
import { deleteCourse } from '@/server/frame/archive';
import { changeCourse } from '@/server/frame/courses';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { courseRecord } from '../../records';

const params = z.object({ id: courseId });

/** A course, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'courses', params, answer: courseRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'courses', params.id),
);

/** Changes what a course is called, its colour, its place and its credits. */
export const PUT = endpoint(
  { who: 'person', row: 'courses', params, body: courseInput, answer: z.object({ code: z.string() }) },
  ({ pembit, actor, params, body }) => changeCourse(pembit, actor, params.id, body),
);

/** Deletes an archived course with everything in it. */
export const DELETE = endpoint(
  { who: 'person', row: 'courses', params, answer: z.object({ code: z.string() }) },
  ({ pembit, actor, params }) => deleteCourse(pembit, actor, params.id),
);
