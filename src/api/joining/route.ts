import { z } from 'zod';
import { line } from '@/core/fields';
import { sectionId } from '@/core/ids';
import { joinCourse } from '@/server/people/joining';
import { endpoint } from '../endpoint';

const body = z.object({
  token: z.string({ error: 'Open the joining address again.' }).max(200),
  section: sectionId.optional(),
  name: line(100).optional(),
  email: z.email({ error: 'Type a whole e-mail address.' }).max(254).toLowerCase().optional(),
});

/** Joins a course by its joining address. */
export const POST = endpoint(
  { who: 'anyone', body, answer: z.object({ course: z.string(), letter: z.boolean() }) },
  ({ pembit, actor, body, from }) => joinCourse(pembit, actor, body, from),
);
