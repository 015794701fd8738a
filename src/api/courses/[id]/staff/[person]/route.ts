import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { removeStaff } from '@/server/frame/courseStaff';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId, person: personId });
const query = z.object({ successor: personId.optional() });

/** Takes somebody off a course’s staff; what they hold goes to the successor, or to an instructor who stays. */
export const DELETE = endpoint(
  { who: 'person', params, query, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, query }) =>
    removeStaff(pembit, actor, { course: params.id, person: params.person, successor: query.successor }),
);
