import { z } from 'zod';
import { courseId } from '@/core/ids';
import { tellFeeds } from '@/server/outlets/tellFeeds';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Sends each student of a course their own feed by mail, once. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ told: z.number() }) },
  async ({ pembit, actor, params }) => tellFeeds(pembit, actor, params.id),
);
