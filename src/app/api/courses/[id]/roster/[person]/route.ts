import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { removeStudent } from '@/server/people/roster';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId, person: personId });

export const DELETE = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  removeStudent(pembit, actor, { course: params.id, person: params.person }),
);
