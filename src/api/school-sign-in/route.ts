import { z } from 'zod';
import { beginSchoolSignIn } from '@/server/session/schoolSignIn';
import { safePath } from '@/server/safePath';
import { endpoint } from '../endpoint';
import { leadThere } from './leadThere';

const query = z.object({ to: z.string().max(2000).default('/') });

/** Leads to the school’s own sign-in. */
export const GET = endpoint(
  { who: 'anyone', query, limit: 'token', answer: 'redirect' },
  async ({ pembit, query }) => {
    const begun = await beginSchoolSignIn(pembit, safePath(query.to));
    return begun.ok ? leadThere(pembit.config.baseUrl, begun.value) : begun;
  },
);
