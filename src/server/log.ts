import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Logger } from 'pino';
import pino from 'pino';
import type { Config } from './config';

/** The header that names a request, in the answer and in the log. */
export const REQUEST_ID = 'pembit-request';

/** Lines of JSON on the standard output. Warnings and what failed, or every request, as the operator says. */
export const createLog = (level: Config['log']): Logger => pino({ level, base: undefined });

/**
 * A path without what must not be in a log: whoever holds the token of an address, a link or a joining can read or enter,
 * and a query may say what somebody looked for.
 */
export const loggedPath = (url: string): string =>
  (url.split('?')[0] ?? '').replace(/^\/(feeds|embed|join|welcome)\/[^/.]+/, '/$1/…');

/** Gives a request its id, and logs how it was answered. */
export function logRequest(log: Logger, request: IncomingMessage, response: ServerResponse): void {
  const id = randomUUID();
  const began = performance.now();
  response.setHeader(REQUEST_ID, id);
  response.once('finish', () => {
    const ms = Math.round(performance.now() - began);
    const { statusCode: status } = response;
    const said = { request: id, method: request.method, path: loggedPath(request.url ?? ''), status, ms };
    if (status >= 500) log.error(said, 'failed');
    else log.debug(said, 'answered');
  });
}
