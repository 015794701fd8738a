/** A script's view of Pembit: fetch with a session cookie. */
export type Api = Readonly<{
  /** Sends a file as it is. */
  send: (path: string, file: Blob) => Promise<Response>;
  call: (method: string, path: string, body?: unknown, headers?: Record<string, string>) => Promise<Response>;
}>;

const PASSWORD = 'pembit-demo-2026';

export function anonymous(base: string, cookie = ''): Api {
  const own: Record<string, string> = cookie ? { cookie } : {};
  return {
    send: (path, file) =>
      fetch(`${base}${path}`, { method: 'POST', redirect: 'manual', headers: own, body: file }),
    call: (method, path, body, headers = {}) =>
      fetch(`${base}${path}`, {
        method,
        redirect: 'manual',
        headers: {
          ...own,
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
        body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
      }),
  };
}

export const signedIn = (base: string, email: string): Promise<Api> =>
  signedInAs(base, { email, password: PASSWORD });

export async function signedInAs(
  base: string,
  credentials: { email: string; password: string },
): Promise<Api> {
  const answer = await anonymous(base).call('POST', '/api/session', credentials);
  if (answer.status !== 200) throw new Error(`Cannot sign in as ${credentials.email}: ${answer.status}`);
  return anonymous(base, answer.headers.get('set-cookie')!.split(';')[0]);
}
