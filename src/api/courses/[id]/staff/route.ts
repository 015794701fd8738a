import { z } from 'zod';
import { staffInput } from '@/core/frame/staffInput';
import { courseId } from '@/core/ids';
import { writeStaff } from '@/server/frame/courseStaff';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Puts somebody on a course’s staff, or gives them another role there. */
export const POST = endpoint(
  { who: 'person', params, body: staffInput, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await writeStaff(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);
