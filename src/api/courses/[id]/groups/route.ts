import { z } from 'zod';
import { groupInput } from '@/core/frame/frameInput';
import { courseId } from '@/core/ids';
import { writeGroup } from '@/server/people/groups';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Adds a group of students. */
export const POST = endpoint(
  {
    who: 'person',
    params,
    body: groupInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), name: z.string() }),
  },
  async ({ pembit, actor, params, body }) => {
    const outcome = await writeGroup(pembit, actor, { course: params.id }, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);
