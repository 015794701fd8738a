import { z } from 'zod';
import { platformInput } from '@/core/lti/platform';
import { endPlatform, savePlatform } from '@/server/lti/platforms';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: z.uuid() });

/** Changes what is known of a course’s site. */
export const PUT = endpoint(
  { who: 'person', params, body: platformInput, answer: z.object({ id: z.string(), name: z.string() }) },
  ({ pembit, actor, params, body }) => savePlatform(pembit, actor, body, params.id, { anew: false }),
);

/** Disconnects a course’s site: nobody comes in by it any more. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => endPlatform(pembit, actor, params.id),
);
