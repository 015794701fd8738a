import { isFresh } from '@/server/session/session';
import { beginSchoolSignIn } from '@/server/session/schoolSignIn';
import { endpoint } from '../../endpoint';
import { leadThere } from '../../school-sign-in/leadThere';

/** Leads to the school’s sign-in to link it; only for whoever has just signed in here. */
export const GET = endpoint(
  { who: 'person', limit: 'token', answer: 'redirect' },
  async ({ pembit, actor }) => {
    // It is a page of the browser that comes here: what is refused is said on the one it came from.
    if (!(await isFresh(pembit, actor)))
      return new Response(null, { status: 303, headers: { location: '/account?refused=signInAnew' } });
    const begun = await beginSchoolSignIn(pembit, '/account', actor.person.id);
    return begun.ok ? leadThere(pembit.config.baseUrl, begun.value) : begun;
  },
);
