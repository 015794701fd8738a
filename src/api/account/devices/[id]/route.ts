import { z } from 'zod';
import { endDevice } from '@/server/notices/devices';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Shows urgent notices on a device no longer. */
export const DELETE = endpoint({ who: 'person', params, answer: z.null() }, ({ pembit, actor, params }) =>
  endDevice(pembit, actor, params.id),
);
