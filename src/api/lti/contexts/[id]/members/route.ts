import { z } from 'zod';
import { previewMembers, readMembers } from '@/server/lti/followMembers';
import { endpoint } from '../../../../endpoint';
import { membersReport } from '../../../membersReport';

const params = z.object({ id: z.uuid() });

/** What a site’s list of members would change on the roster; nothing is saved. */
export const GET = endpoint(
  {
    who: 'person',
    params,
    answer: z.object({ added: z.array(z.string()), present: z.number(), gone: z.array(z.string()) }),
  },
  ({ pembit, actor, params }) => previewMembers(pembit, actor, params.id),
);

/** Reads a site’s list now; `even`: as many may go as it says. */
export const POST = endpoint(
  { who: 'person', params, body: z.object({ even: z.boolean().default(false) }), answer: membersReport },
  ({ pembit, actor, params, body }) => readMembers(pembit, actor, params.id, body),
);
