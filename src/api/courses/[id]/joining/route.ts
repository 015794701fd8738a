import { z } from 'zod';
import { courseId } from '@/core/ids';
import { closeJoining, openJoining } from '@/server/people/joining';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Opens the course for joining, or replaces the address. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ url: z.string() }) },
  ({ pembit, actor, params }) => openJoining(pembit, actor, params.id),
);

/** Closes joining. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ code: z.string() }) },
  ({ pembit, actor, params }) => closeJoining(pembit, actor, params.id),
);
