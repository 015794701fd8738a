import { z } from 'zod';
import { endToken } from '@/server/tokens/tokens';
import { endpoint } from '../../endpoint';

const params = z.object({ id: z.uuid() });

/** Ends a token: its next request is refused. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => endToken(pembit, actor, params.id),
);
