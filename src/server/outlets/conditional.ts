import Negotiator from 'negotiator';
import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { CachedAnswer, Coding, RememberedAnswer } from './outletCache';

export type OutletRequest = Readonly<{
  method: string;
  path: string;
  /** Without the question mark; empty where there is none. */
  query: string;
  headers: Readonly<Record<string, string | undefined>>;
  /** The network address that it comes from, as far as it is known. */
  from?: string;
}>;
export type OutletAnswer = Readonly<{
  status: number;
  headers: Record<string, string>;
  body?: Buffer;
  /** Of what is not kept in memory: an uploaded file. */
  stream?: ReadableStream<Uint8Array>;
}>;

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

/** Its published types do not know the second argument yet. */
type Negotiating = {
  encodings: (available: readonly string[], options: Readonly<{ preferred: readonly string[] }>) => string[];
};

/** What the reader likes best of what there is (RFC 9110 section 12.5.3), the smallest where it has no preference. */
function codingFor(accepted: string | undefined): Coding {
  const asked: Negotiating = new Negotiator({ headers: { 'accept-encoding': accepted } });
  const [best = 'identity'] = asked.encodings(['br', 'gzip', 'identity'], { preferred: ['br', 'gzip'] });
  return best as Coding;
}

/** The three forms of RFC 9110 section 5.6.7: what is no such date is as if it were not there. */
const HTTP_DATE =
  /^(?:(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun), \d{2} [A-Z][a-z]{2} \d{4} \d{2}:\d{2}:\d{2} GMT|(?:Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day, \d{2}-[A-Z][a-z]{2}-\d{2} \d{2}:\d{2}:\d{2} GMT|(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun) [A-Z][a-z]{2} [ \d]\d \d{2}:\d{2}:\d{2} \d{4})$/;
/** Epoch milliseconds; the last of the forms names no zone and means UTC. */
const httpDateMs = (text: string): number =>
  HTTP_DATE.test(text) ? Date.parse(/GMT$/.test(text) ? text : `${text} GMT`) : NaN;

const tagFor = ({ headers }: OutletRequest, answer: RememberedAnswer) =>
  answer.etags[codingFor(headers['accept-encoding'])];

/** Whether the reader has it already: If-None-Match first, If-Modified-Since only without it (RFC 9110 section 13). */
function isKnown(request: OutletRequest, answer: RememberedAnswer): boolean {
  const noneMatch = request.headers['if-none-match'];
  const since = request.headers['if-modified-since'];
  const etag = tagFor(request, answer);
  return noneMatch
    ? noneMatch.split(',').some((tag) => ['*', etag].includes(tag.trim().replace(/^W\//, '')))
    : since !== undefined && Date.parse(answer.lastModified) <= httpDateMs(since);
}

/** Whether a request can be answered by what is remembered: its bytes are there, or the reader has them. */
export const suffices = (
  request: OutletRequest,
  answer: RememberedAnswer | undefined,
): answer is RememberedAnswer =>
  answer !== undefined && (answer.bodies !== undefined || isKnown(request, answer));

/** The answer, or 304 where the reader has it already. What is remembered has to suffice. */
export function conditional(request: OutletRequest, answer: RememberedAnswer): OutletAnswer {
  const coding = codingFor(request.headers['accept-encoding']);
  const etag = answer.etags[coding];
  const facts = { ...answer.headers, etag, 'last-modified': answer.lastModified, vary: 'Accept-Encoding' };
  if (isKnown(request, answer)) return { status: 304, headers: facts };
  if (!answer.bodies) throw new Error('The bytes of this answer are not remembered.');
  const body = answer.bodies[coding];
  return {
    status: 200,
    headers: {
      ...facts,
      'content-length': String(body.length),
      ...(coding === 'identity' ? {} : { 'content-encoding': coding }),
    },
    body: request.method === 'HEAD' ? undefined : body,
  };
}
