import { z } from 'zod';
import { done } from '@/core/refusals';
import { SCOPES, tokenInput } from '@/core/tokens/token';
import { tokenRecord } from '@/server/tokens/tokenRecord';
import { makeToken, tokensFor } from '@/server/tokens/tokens';
import { endpoint } from '../endpoint';

const token = z.object({
  id: z.string(),
  name: z.string(),
  owner: z.string(),
  scopes: z.array(z.enum(SCOPES)),
  courses: z.array(z.string()).optional(),
  origins: z.array(z.string()),
  created: z.string(),
  expires: z.string().optional(),
  lastUsed: z.string().optional(),
});

/** One's own tokens; for an administrator those of others as well. */
export const GET = endpoint(
  { who: 'person', answer: z.object({ own: z.array(token), others: z.array(token) }) },
  async ({ pembit, actor }) => {
    const { own, others } = await tokensFor(pembit, actor);
    return done({ own: own.map(tokenRecord), others: others.map(tokenRecord) });
  },
);

/** Makes a token; what it consists of is in this answer alone. */
export const POST = endpoint(
  {
    who: 'person',
    body: tokenInput,
    answer: z.object({ id: z.string(), name: z.string(), token: z.string() }),
  },
  async ({ pembit, actor, body }) => ({
    ...(await makeToken(pembit, actor, body)),
    status: 201,
  }),
);
