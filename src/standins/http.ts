import type { IncomingMessage, ServerResponse } from 'node:http';

export type Handler = (request: IncomingMessage, response: ServerResponse, url: URL) => Promise<boolean>;

export function send(
  response: ServerResponse,
  body: string,
  type = 'text/html; charset=utf-8',
  status = 200,
): true {
  response.writeHead(status, { 'content-type': type, 'cache-control': 'no-store' });
  response.end(body);
  return true;
}

export function redirect(response: ServerResponse, to: string, status: 301 | 303 = 303): true {
  response.writeHead(status, { location: to });
  response.end();
  return true;
}

/** The body of a request; at most 1 MB. */
export async function textOf(request: IncomingMessage): Promise<string> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > 1_000_000) throw new Error('The form is too long.');
  }
  return text;
}

/** The fields of a posted form. */
export const formOf = async (request: IncomingMessage): Promise<URLSearchParams> =>
  new URLSearchParams(await textOf(request));
