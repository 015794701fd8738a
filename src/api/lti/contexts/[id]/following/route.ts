import { z } from 'zod';
import { followMembers } from '@/server/lti/followMembers';
import { endpoint } from '../../../../endpoint';
import { membersReport } from '../../../membersReport';

/** Whether the roster follows a site’s list by itself: it is read at once, and then each night. */
export const PUT = endpoint(
  {
    who: 'person',
    params: z.object({ id: z.uuid() }),
    body: z.object({ follows: z.boolean() }),
    answer: membersReport.nullable(),
  },
  ({ pembit, actor, params, body }) => followMembers(pembit, actor, params.id, body.follows),
);
