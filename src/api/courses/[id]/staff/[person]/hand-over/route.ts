import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { handOver } from '@/server/frame/courseStaff';
import { endpoint } from '../../../../../endpoint';

const params = z.object({ id: courseId, person: personId });
const body = z.object({ to: personId });

/** Gives what somebody holds for a course to a colleague: sheets, times, outlets, outside calendars. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) =>
    handOver(pembit, actor, { course: params.id, from: params.person, to: body.to }),
);
