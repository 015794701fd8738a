import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { removeCoInstructor } from '@/server/frame/courseStaff';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId, person: personId });

/** Takes a co-instructor off a course. */
export const DELETE = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  removeCoInstructor(pembit, actor, { course: params.id, person: params.person }),
);
