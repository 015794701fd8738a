import { done } from '@/core/refusals';
import { tokenInput } from '@/core/tokens/token';
import { tokenRecord } from '@/server/tokens/tokenRecord';
import { makeToken, tokensFor } from '@/server/tokens/tokens';
import { endpoint } from '../endpoint';

/** One's own tokens; for an administrator those of others as well. */
export const GET = endpoint({ who: 'person' }, async ({ pembit, actor }) => {
  const { own, others } = await tokensFor(pembit, actor);
  return done({ own: own.map(tokenRecord), others: others.map(tokenRecord) });
});

/** Makes a token; what it consists of is in this answer alone. */
export const POST = endpoint({ who: 'person', body: tokenInput }, async ({ pembit, actor, body }) => ({
  ...(await makeToken(pembit, actor, body)),
  status: 201,
}));
