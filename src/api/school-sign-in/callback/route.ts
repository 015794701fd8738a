import { parseCookie } from 'cookie';
import { finishSchoolSignIn } from '@/server/session/schoolSignIn';
import { signOut } from '@/server/session/session';
import { endpoint } from '../../endpoint';
import { journeyCookie, journeyName, sessionCookie } from '../../sessionCookie';

/** Where the school’s sign-in leads back to: a session, or the sign-in page with a sentence. */
export const GET = endpoint(
  { who: 'anyone', limit: 'token', answer: 'redirect' },
  async ({ pembit, actor, request }) => {
    const { baseUrl } = pembit.config;
    const cookie = parseCookie(request.headers.get('cookie') ?? '')[journeyName(baseUrl)] ?? '';
    const outcome = await finishSchoolSignIn(pembit, new URL(request.url).search, cookie, actor?.person.id);
    const headers = new Headers({ location: outcome.ok ? outcome.value.to : actor ? `/account?refused=${outcome.reason}` : `/sign-in?refused=${outcome.reason}` }); // prettier-ignore
    headers.append('set-cookie', journeyCookie(baseUrl, ''));
    if (outcome.ok && outcome.value.token) {
      if (actor) await signOut(pembit, actor);
      headers.append('set-cookie', sessionCookie(baseUrl, outcome.value.token));
    }
    return new Response(null, { status: 303, headers });
  },
);
