import { z } from 'zod';
import { courseInput } from '@/core/frame/frameInput';
import { courseId } from '@/core/ids';
import { deleteCourse } from '@/server/frame/archive';
import { changeCourse } from '@/server/frame/courses';
import { endpoint } from '../../endpoint';

const params = z.object({ id: courseId });

export const PUT = endpoint({ who: 'person', params, body: courseInput }, ({ pembit, actor, params, body }) =>
  changeCourse(pembit, actor, params.id, body),
);

export const DELETE = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  deleteCourse(pembit, actor, params.id),
);
