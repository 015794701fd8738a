import { z } from 'zod';
import { sheetId } from '@/core/ids';
import { done } from '@/core/refusals';
import { spendMailLink } from '@/server/signup/mailLink';
import { endpoint } from '../../../endpoint';
import { sessionCookie } from '../../../sessionCookie';

const params = z.object({ id: sheetId });
const body = z.object({ link: z.string({ error: 'Follow the link of the letter.' }).min(1).max(100) });

/** Spends the link of a letter: the browser is signed in. */
export const POST = endpoint(
  { who: 'anyone', params, body, answer: z.null() },
  async ({ pembit, params, body }) => {
    const outcome = await spendMailLink(pembit, params.id, body.link);
    if (!outcome.ok) return outcome;
    return {
      ...done(null),
      headers: { 'set-cookie': sessionCookie(pembit.config.baseUrl, outcome.value.token) },
    };
  },
);
