import { z } from 'zod';
import { courseId } from '@/core/ids';
import { addCoInstructor } from '@/server/frame/courseStaff';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });
const coInstructor = z.object({ email: z.email({ error: 'Type a whole e-mail address.' }).max(254) });

/** Adds a co-instructor by e-mail address. */
export const POST = endpoint(
  { who: 'person', params, body: coInstructor },
  async ({ pembit, actor, params, body }) => {
    const outcome = await addCoInstructor(pembit, actor, params.id, body.email);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);
