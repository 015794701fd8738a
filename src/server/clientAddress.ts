import type { IncomingMessage } from 'node:http';

/** The header in which the process tells its routes where a request comes from. */
export const CLIENT_ADDRESS = 'pembit-client-address';

/**
 * Writes down where a request comes from: its own peer, or, behind the operator's proxy, the last address that the proxy
 * added. What a client claims by itself is never taken.
 */
export function noteAddress(request: IncomingMessage, behindProxy: boolean): void {
  const forwarded = String(request.headers['x-forwarded-for'] ?? '').split(',').at(-1)?.trim(); // prettier-ignore
  const peer = request.socket.remoteAddress ?? '';
  request.headers[CLIENT_ADDRESS] = behindProxy && forwarded ? forwarded : peer;
}
