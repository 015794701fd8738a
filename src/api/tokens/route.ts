import { z } from 'zod';
import { done } from '@/core/refusals';
import { tokenInput } from '@/core/tokens/token';
import { tokenRecord } from '@/server/tokens/tokenRecord';
import { makeToken, tokensFor } from '@/server/tokens/tokens';
import { endpoint } from '../endpoint';

const found = z.object({
  own: z.array(
    z.object({
      lastUsed: z.string().optional(),
      expires: z.string().optional(),
      origins: z.array(z.string()),
      created: z.string(),
      courses: z.array(z.string()).optional(),
      id: z.string(),
      name: z.string(),
      owner: z.string(),
      scopes: z.array(
        z.enum([
          'read:plan',
          'read:materials',
          'read:hours',
          'read:own',
          'read:people',
          'read:school',
          'read:outlets',
          'write:plan',
          'write:materials',
          'write:hours',
          'write:own',
          'write:people',
          'write:school',
          'write:outlets',
        ]),
      ),
    }),
  ),
  others: z.array(
    z.object({
      lastUsed: z.string().optional(),
      expires: z.string().optional(),
      origins: z.array(z.string()),
      created: z.string(),
      courses: z.array(z.string()).optional(),
      id: z.string(),
      name: z.string(),
      owner: z.string(),
      scopes: z.array(
        z.enum([
          'read:plan',
          'read:materials',
          'read:hours',
          'read:own',
          'read:people',
          'read:school',
          'read:outlets',
          'write:plan',
          'write:materials',
          'write:hours',
          'write:own',
          'write:people',
          'write:school',
          'write:outlets',
        ]),
      ),
    }),
  ),
});

/** One's own tokens; for an administrator those of others as well. */
export const GET = endpoint({ who: 'person', answer: found }, async ({ pembit, actor }) => {
  const { own, others } = await tokensFor(pembit, actor);
  return done({ own: own.map(tokenRecord), others: others.map(tokenRecord) });
});

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
