import { randomUUID } from 'node:crypto';
import type { Handler } from './http';
import { formOf, redirect, send } from './http';
import { escape, page } from './page';

const WHAT = 'the simulated student records of a school.';
const CLIENT = 'pembit';
const SECRET = 'school-system-secret';

type Line = Readonly<{ code: string; id: string; given: string; family: string; email: string }>;

/** One line each: `HL 210-A, k1, Runa Holm, runa@kittiwake.example`. What cannot be read is left out. */
const linesOf = (text: string): Line[] =>
  text.split('\n').flatMap((line) => {
    const [code, id, name, email] = line.split(',').map((part) => part.trim());
    if (!code || !id || !name || !email) return [];
    const [given = '', ...family] = name.split(' ');
    return [{ code, id, given, family: family.join(' '), email }];
  });

const unique = <T>(all: readonly T[], keyOf: (one: T) => string): T[] => [
  ...new Map(all.map((one) => [keyOf(one), one])).values(),
];

/** The records of each kind, as OneRoster 1.2 REST sends them. */
const RECORDS = {
  classes: (lines: readonly Line[]) =>
    unique(lines, ({ code }) => code).map(({ code }) => ({ sourcedId: `class ${code}`, status: 'active', title: code, classCode: code })),
  users: (lines: readonly Line[]) =>
    unique(lines, ({ id }) => id).map(({ id, given, family, email }) => ({ sourcedId: id, status: 'active', enabledUser: 'true', givenName: given, familyName: family, email })),
  enrollments: (lines: readonly Line[]) =>
    lines.map(({ code, id }) => ({ sourcedId: `${code} ${id}`, status: 'active', role: 'student', user: { sourcedId: id }, class: { sourcedId: `class ${code}` } })),
} as const; // prettier-ignore

/** Student records at `/school-system`, edited on its page, and read with client credentials as OneRoster 1.2 REST. */
export function schoolSystem(): Handler {
  const tokens = new Set<string>();
  let text = '';
  return async (request, response, url) => {
    const json = (body: object, status = 200) => send(response, JSON.stringify(body), 'application/json', status);
    if (url.pathname === '/school-system/token' && request.method === 'POST') {
      const given = Buffer.from((request.headers.authorization ?? '').replace(/^Basic /, ''), 'base64').toString();
      const form = await formOf(request);
      const [client, secret] = given ? given.split(':').map(decodeURIComponent) : [form.get('client_id'), form.get('client_secret')];
      if (client !== CLIENT || secret !== SECRET || form.get('grant_type') !== 'client_credentials')
        return json({ error: 'invalid_client' }, 401);
      const token = randomUUID();
      tokens.add(token);
      return json({ access_token: token, token_type: 'Bearer', expires_in: 3600, scope: form.get('scope') ?? '' });
    }
    const kind = /^\/school-system\/rostering\/v1p2\/(classes|users|enrollments)$/.exec(url.pathname)?.[1];
    if (kind) {
      if (!tokens.has((request.headers.authorization ?? '').replace(/^Bearer /, ''))) return json({}, 401);
      const all: readonly object[] = RECORDS[kind as keyof typeof RECORDS](linesOf(text));
      const [offset, limit] = [Number(url.searchParams.get('offset') ?? 0), Number(url.searchParams.get('limit') ?? 100)];
      response.setHeader('x-total-count', String(all.length));
      return json({ [kind]: all.slice(offset, offset + limit) });
    }
    if (url.pathname !== '/school-system') return false;
    if (request.method === 'POST') {
      text = (await formOf(request)).get('students') ?? text;
      return redirect(response, '/school-system');
    }
    const form = `<form method="post" action="/school-system"><label>Who takes what: class, number, name, address, one a line
      <textarea name="students" rows="10" placeholder="HL 210-A, k1, Runa Holm, runa@kittiwake.example">${escape(text)}</textarea></label><button>Save</button></form>
      <p>Pembit reads these lists when the School page says so, and each night.</p>`;
    return send(response, page('Student records', WHAT, form));
  };
} // prettier-ignore
