import { z } from 'zod';
import { personId } from '@/core/ids';
import { writeMinor } from '@/server/guardians/issue';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: personId });
const body = z.object({ minor: z.boolean() });

/** Marks somebody as a minor, or not, where the school has both. */
export const PUT = endpoint(
  { who: 'person', params, body, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params, body }) => writeMinor(pembit, actor, params.id, body.minor),
);
