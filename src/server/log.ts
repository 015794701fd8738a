import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { inspect } from 'node:util';
import type { Logger } from 'pino';
import pino from 'pino';
import type { Config } from './config';
import type { Metrics } from './metrics/metrics';

/** The header that names a request, in the answer and in the log. */
export const REQUEST_ID = 'pembit-request';

/** Lines of JSON on the standard output. Warnings and what failed, or every request, as the operator says. */
export const createLog = (level: Config['log']): Logger => pino({ level, base: undefined });

/** 256 bits in base64url, as every secret of an address is. */
const SECRET = /(?<=[/.])[\w-]{43}(?![\w-])/g;

/**
 * A path without what must not be in a log: whoever holds the token of an address, a link or a joining can read or enter,
 * and a query may say what somebody looked for.
 */
export const loggedPath = (url: string): string =>
  (url.split('?')[0] ?? '').replace(/^\/(feeds|embed|join|welcome|g)\/[^/.]+/, '/$1/…').replace(SECRET, '…');

/** What libraries say goes into the same log, as lines of JSON like all others. */
export function logConsole(log: Logger): void {
  const said = (parts: readonly unknown[]) => parts.map((part) => (part instanceof Error ? (part.stack ?? part.message) : typeof part === 'string' ? part : inspect(part))).join(' '); // prettier-ignore
  console.log = (...parts: unknown[]) => log.info(said(parts));
  console.info = console.log;
  console.warn = (...parts: unknown[]) => log.warn(said(parts));
  console.error = (...parts: unknown[]) => log.error(said(parts));
}

/** What a request was for, in a few words: a figure for each. */
function kindOf(path: string): string {
  if (path.startsWith('/feeds/')) return 'feed';
  if (path.startsWith('/embed/')) return 'embed';
  if (path.startsWith('/api/')) return 'api';
  if (path.startsWith('/_next/')) return 'asset';
  return path.startsWith('/f/') ? 'file' : 'page';
}

/** Gives a request its id, counts it, and logs how it was answered. */
export function logRequest(
  { log, metrics }: Readonly<{ log: Logger; metrics: Metrics }>,
  request: IncomingMessage,
  response: ServerResponse,
): void {
  const id = randomUUID();
  const began = performance.now();
  response.setHeader(REQUEST_ID, id);
  response.once('finish', () => {
    const ms = Math.round(performance.now() - began);
    const { statusCode: status } = response;
    const path = loggedPath(request.url ?? '');
    const kind = kindOf(path);
    metrics.requests.inc({ kind, status: String(status) });
    metrics.requestSeconds.observe({ kind }, ms / 1000);
    const said = { request: id, method: request.method, path, status, ms };
    if (status >= 500 && status !== 503) log.error(said, 'failed');
    else log.debug(said, 'answered');
  });
}
