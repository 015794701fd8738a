import { z } from 'zod';
import { groupInput } from '@/core/frame/frameInput';
import { courseId, groupId } from '@/core/ids';
import { removeGroup, writeGroup } from '@/server/people/groups';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId, group: groupId });

/** Changes who is in a group, and its name. */
export const PUT = endpoint(
  {
    who: 'person',
    params,
    body: groupInput,
    bytes: 512 * 1024,
    answer: z.object({ id: z.string(), name: z.string() }),
  },
  ({ pembit, actor, params, body }) =>
    writeGroup(pembit, actor, { course: params.id, group: params.group }, body),
);

/** Takes a group away that nothing is meant for. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => removeGroup(pembit, actor, { course: params.id, group: params.group }),
);
