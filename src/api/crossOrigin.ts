import type { IncomingMessage } from 'node:http';
import type { Pembit } from '@/server/pembit';
import { isOriginOpen } from '@/server/tokens/bearer';

/** What a page elsewhere may read of an answer beside its body. */
const EXPOSED = 'etag, pembit-history, pembit-replayed, retry-after';

/** Lets pages of an origin read an answer. Never with cookies: those stay this origin's own. */
export function openTo(headers: Headers, origin: string): void {
  headers.set('access-control-allow-origin', origin);
  headers.set('access-control-expose-headers', EXPOSED);
  headers.append('vary', 'Origin');
}

/** Whether a browser asks if a page elsewhere may call the API: the preflight of the Fetch standard. */
export const isPreflight = ({ method, headers }: IncomingMessage, path: string): boolean =>
  method === 'OPTIONS' &&
  path.startsWith('/api/') &&
  headers.origin !== undefined &&
  headers['access-control-request-method'] !== undefined;

/** What it is answered: it names no token yet, so some token has to be open to the origin. */
export async function answerPreflight(
  pembit: Pembit,
  origin: string,
): Promise<Readonly<{ status: number; headers: Record<string, string> }>> {
  if (!(await isOriginOpen(pembit, origin))) return { status: 403, headers: { vary: 'Origin' } };
  return {
    status: 204,
    headers: {
      'access-control-allow-origin': origin,
      'access-control-allow-methods': 'GET, POST, PUT, DELETE',
      'access-control-allow-headers': 'authorization, content-type, if-match, idempotency-key',
      'access-control-max-age': '600',
      vary: 'Origin',
    },
  };
}
