import { z } from 'zod';
import { meetingId } from '@/core/ids';
import { trustOfClass } from '@/server/history/trustLines';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: meetingId });

/** How the class came to be when it is. */
export const GET = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  trustOfClass(pembit, actor, params.id),
);
