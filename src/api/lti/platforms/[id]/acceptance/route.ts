import { z } from 'zod';
import { acceptPlatform } from '@/server/lti/platforms';
import { endpoint } from '../../../../endpoint';

/** Accepts a course’s site that has registered itself. */
export const PUT = endpoint(
  { who: 'person', params: z.object({ id: z.uuid() }), answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => acceptPlatform(pembit, actor, params.id),
);
