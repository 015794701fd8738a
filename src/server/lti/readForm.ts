import type { IncomingMessage } from 'node:http';

/** In bytes: a launch is a token of some kilobytes. */
const LARGEST = 256 * 1024;

/** The fields of a posted form; undefined where it is larger than any launch. */
export async function readForm(request: IncomingMessage): Promise<URLSearchParams | undefined> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request) {
    size += (chunk as Buffer).length;
    if (size > LARGEST) return undefined;
    chunks.push(chunk as Buffer);
  }
  return new URLSearchParams(Buffer.concat(chunks).toString('utf8'));
}
