import { journeyCookie } from '../sessionCookie';

/** Leads a browser to the school's sign-in, with what it brings back from there. */
export const leadThere = (
  baseUrl: string,
  { url, cookie }: Readonly<{ url: string; cookie: string }>,
): Response =>
  new Response(null, {
    status: 303,
    headers: { location: url, 'set-cookie': journeyCookie(baseUrl, cookie) },
  });
