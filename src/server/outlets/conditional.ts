import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { CachedAnswer, Coding } from './outletCache';

export type OutletRequest = Readonly<{
  method: string;
  path: string;
  /** Without the question mark; empty where there is none. */
  query: string;
  headers: Readonly<Record<string, string | undefined>>;
  /** The network address that it comes from, as far as it is known. */
  from?: string;
}>;
export type OutletAnswer = Readonly<{ status: number; headers: Record<string, string>; body?: Buffer }>;

const compress = { gzip: promisify(gzip), br: promisify(brotliCompress) };

/** A text in every coding, each with a strong ETag of its own: the same content is the same tag. */
export async function codedAnswer(
  text: string,
  facts: Omit<CachedAnswer, 'bodies' | 'etags' | 'bytes'>,
): Promise<CachedAnswer> {
  const identity = Buffer.from(text);
  const bodies = {
    identity,
    gzip: await compress.gzip(identity),
    br: await compress.br(identity, { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } }),
  };
  const digest = createHash('sha256').update(identity).digest('base64url').slice(0, 32);
  const etags = { identity: `"${digest}"`, gzip: `"${digest}-gzip"`, br: `"${digest}-br"` };
  return { ...facts, bodies, etags, bytes: identity.length + bodies.gzip.length + bodies.br.length };
}

function codingFor(accepted: string | undefined): Coding {
  const codings = (accepted ?? '').split(',').flatMap((part) => {
    const [name = '', ...parameters] = part.trim().split(/\s*;\s*/);
    return parameters.some((p) => /^q=0(\.0*)?$/.test(p)) ? [] : [name];
  });
  return codings.includes('br') ? 'br' : codings.includes('gzip') ? 'gzip' : 'identity';
}

/** 304 where the reader has it already: If-None-Match first, If-Modified-Since only without it (RFC 9110 section 13). */
export function conditional({ method, headers }: OutletRequest, answer: CachedAnswer): OutletAnswer {
  const coding = codingFor(headers['accept-encoding']);
  const etag = answer.etags[coding];
  const facts = { ...answer.headers, etag, 'last-modified': answer.lastModified, vary: 'Accept-Encoding' };
  const noneMatch = headers['if-none-match'];
  const since = headers['if-modified-since'];
  const known = noneMatch
    ? noneMatch.split(',').some((tag) => ['*', etag].includes(tag.trim().replace(/^W\//, '')))
    : since !== undefined && Date.parse(answer.lastModified) <= Date.parse(since);
  if (known) return { status: 304, headers: facts };
  const body = answer.bodies[coding];
  return {
    status: 200,
    headers: {
      ...facts,
      'content-length': String(body.length),
      ...(coding === 'identity' ? {} : { 'content-encoding': coding }),
    },
    body: method === 'HEAD' ? undefined : body,
  };
}
