import type { IncomingMessage, ServerResponse } from 'node:http';
import { API_HEADERS } from './apiHeaders';
import { GET as health } from './health/route';
import { POST as signIn } from './session/route';
import { POST as takeTime } from './slots/[id]/booking/route';

type Handler = (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response>;

/**
 * Routes that a whole class asks for at the same moment, and the one by which it is seen how the server is. The process answers
 * them itself, with the same handlers: on the way through Next each answer takes several times as long.
 */
const ROUTES: readonly Readonly<{ method: string; path: RegExp; handler: Handler }>[] = [
  { method: 'GET', path: /^\/api\/health$/, handler: health },
  { method: 'POST', path: /^\/api\/session$/, handler: signIn },
  { method: 'POST', path: /^\/api\/slots\/(?<id>[0-9a-f-]{36})\/booking$/, handler: takeTime },
];

/** More than these routes take: Next deals with it. */
const LARGEST_BODY = 64 * 1024;

/** Answers a request that has a route here; undefined for any other. */
export function answerDirectly(
  request: IncomingMessage,
  response: ServerResponse,
  { path, baseUrl }: Readonly<{ path: string; baseUrl: string }>,
): Promise<void> | undefined {
  const unsaid =
    request.method === 'GET' && request.headers['transfer-encoding'] === undefined ? 0 : Infinity;
  if (!(Number(request.headers['content-length'] ?? unsaid) <= LARGEST_BODY)) return undefined;
  for (const { method, path: pattern, handler } of ROUTES) {
    const match = request.method === method ? pattern.exec(path) : null;
    if (match)
      return answer(request, response, { url: baseUrl + path, handler, params: { ...match.groups } });
  }
  return undefined;
}

async function answer(
  request: IncomingMessage,
  response: ServerResponse,
  { url, handler, params }: Readonly<{ url: string; handler: Handler; params: Record<string, string> }>,
): Promise<void> {
  const headers = new Headers();
  for (const [name, value] of Object.entries(request.headers)) if (value !== undefined) headers.set(name, String(value)); // prettier-ignore
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  const body = request.method === 'GET' ? undefined : Buffer.concat(chunks);
  const asked = new Request(url, { method: request.method, headers, body });
  const answered = await handler(asked, { params: Promise.resolve(params) });
  response.writeHead(answered.status, { ...API_HEADERS, ...Object.fromEntries(answered.headers) });
  response.end(await answered.text());
}
