import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { Temporal } from 'temporal-polyfill';
import type { EntryId } from '@/core/ids';
import { entryId } from '@/core/ids';
import { coursesOf } from '@/core/entries/viewer';
import type { Viewer } from '@/core/entries/viewer';
import type { Outlet } from '@/core/outlets/outlet';
import { feedEvents } from '@/core/outlets/feedEvents';
import type { OutletContents } from '@/core/outlets/outletContents';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { embedTexts } from '@/core/texts/embeds';
import { toInstant, toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { StampScope } from '@/data/history/stamps';
import { readStamps } from '@/data/history/stamps';
import { outletByTokenHash } from '@/data/outlets/outlets';
import { viewerOf } from '@/data/people/people';
import type { Pembit } from '../pembit';
import { keptPlan } from '../plan/keptPlan';
import { EMBED_POLICY, comingPage, dayPage, embedDocument, entryPage, unknownPage } from './embedPage';
import { createOutletCache } from './outletCache';
import type { CachedAnswer, Coding } from './outletCache';
import { tokenHash } from './token';

export type OutletRequest = Readonly<{
  method: string;
  path: string;
  headers: Readonly<Record<string, string | undefined>>;
}>;
export type OutletAnswer = Readonly<{ status: number; headers: Record<string, string>; body?: Buffer }>;

const FEED = /^\/feeds\/([\w-]{43})\.ics$/;
const EMBED = /^\/embed\/([\w-]{43})(?:\/(?:e\/([0-9a-f-]{36})|day\/(\d{4}-\d{2}-\d{2})))?$/;

export const isOutletPath = (path: string): boolean =>
  path.startsWith('/feeds/') || path.startsWith('/embed/');

type Wanted =
  | { kind: 'feed'; token: string }
  | { kind: 'embed'; token: string; entry?: EntryId; date?: Temporal.PlainDate };

function wantedBy(path: string): Wanted | undefined {
  const feed = FEED.exec(path);
  if (feed) return { kind: 'feed', token: feed[1]! };
  const embed = EMBED.exec(path);
  if (!embed) return undefined;
  const [, token = '', entry, day] = embed;
  if (entry)
    return entryId.safeParse(entry).success ? { kind: 'embed', token, entry: entry as EntryId } : undefined;
  try {
    return { kind: 'embed', token, date: day ? Temporal.PlainDate.from(day) : undefined };
  } catch {
    return undefined; // such as 30 February
  }
}

/** The pages and files of outlets: the one function that answers under /feeds/ and /embed/. */
export function createOutletAnswerer(pembit: Pembit): (request: OutletRequest) => Promise<OutletAnswer> {
  const cache = createOutletCache();
  return async (request) => {
    if (request.method === 'OPTIONS') return { status: 204, headers: CORS };
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return { status: 405, headers: { allow: 'GET, HEAD, OPTIONS', ...policyFor(request.path) } };
    const wanted = wantedBy(request.path);
    const outlet = wanted && (await outletByTokenHash(pembit, tokenHash(wanted.token)));
    if (!wanted || !outlet || !serves(outlet, wanted)) return unknown(request);

    const owner = await viewerOf(pembit, outlet.owner);
    const viewer = outletViewer(outlet, owner);
    const scopes: StampScope[] = coursesOf(viewer).map((course) => `course:${course}` as const);
    if (outlet.audience === 'personal') scopes.push(`person:${outlet.owner}`);
    const stamps = await readStamps(pembit, scopes);
    const now = pembit.now();
    const key = request.path;
    const version = `${outlet.id} ${outlet.generation} ${stamps.version} ${scopes.length}`;
    let answer = cache.get(key, version, now.epochMilliseconds);
    if (!answer) {
      answer = await build({ pembit, outlet, viewer, wanted, now, changedAtMs: stamps.changedAtMs });
      if (!answer) return unknown(request);
      cache.set(key, version, answer);
    }
    return conditional(request, answer);
  };
}

/** A personal feed has no page; every other outlet is a file and a page under the same token. */
const serves = (outlet: Outlet, wanted: Wanted): boolean =>
  outlet.audience === 'personal'
    ? wanted.kind === 'feed'
    : outlet.kind === 'embed'
      ? wanted.kind === 'embed'
      : true;

type Making = Readonly<{
  pembit: Pembit;
  outlet: Outlet;
  viewer: Viewer;
  wanted: Wanted;
  now: Temporal.Instant;
  changedAtMs: number;
}>;

async function build({
  pembit,
  outlet,
  viewer,
  wanted,
  now,
  changedAtMs,
}: Making): Promise<CachedAnswer | undefined> {
  const author = outlet.audience === 'personal' ? outlet.owner : undefined;
  const plan = await keptPlan(pembit, coursesOf(viewer), author);
  const contents = outletContents(outlet, viewer, plan, now);
  const { baseUrl } = pembit.config;
  const embed = `/embed/${wanted.token}`;
  const base = {
    lastModifiedMs: Math.max(changedAtMs, contents.changedByTime?.epochMilliseconds ?? 0),
    validUntilMs: contents.validUntil?.epochMilliseconds ?? Infinity,
  };
  if (wanted.kind === 'feed') {
    const personal = outlet.audience === 'personal';
    const file = writeCalendar(
      {
        name: outlet.name,
        url: personal ? baseUrl : `${baseUrl}${embed}`,
        refreshMinutes: 60,
        source: outlet.audience === 'public' ? `${baseUrl}/feeds/${wanted.token}.ics` : undefined,
        events: feedEvents(
          contents,
          {
            entry: (id) => (personal ? `${baseUrl}/e/${id}` : `${baseUrl}${embed}/e/${id}`),
            day: (date, course) =>
              personal
                ? `${baseUrl}/day/${date}${course ? `?course=${encodeURIComponent(course.code)}` : ''}`
                : `${baseUrl}${embed}/day/${date}`,
            signUp: `${baseUrl}/sign-up`,
            page: (path) => baseUrl + path,
          },
          requireZone,
        ),
      },
      requireZone,
    );
    return answerOf(file, { ...base, headers: feedHeaders(outlet) });
  }
  const addresses = { embed, signUp: `${baseUrl}/sign-up` };
  const page = wanted.entry
    ? entryPage(contents, addresses, wanted.entry)
    : wanted.date
      ? dayPage(outlet.name, contents, addresses, { date: wanted.date })
      : comingPage(outlet.name, contents, addresses, now.epochMilliseconds);
  if (!page) return undefined;
  // "Coming" moves with the clock: a page of coming days holds for a minute, and never past the next midnight.
  const validUntilMs =
    wanted.entry || wanted.date
      ? base.validUntilMs
      : Math.min(base.validUntilMs, comingUntilMs(contents, now));
  return answerOf(embedDocument(outlet.name, page), { ...base, validUntilMs, headers: EMBED_HEADERS });
}

function comingUntilMs(contents: OutletContents, now: Temporal.Instant): number {
  const tzid = contents.plan.terms[0]?.tzid;
  const minute = now.epochMilliseconds + 60_000;
  if (!tzid) return minute;
  const zone = requireZone(tzid);
  const midnight = toWall(zone, now).toPlainDate().add({ days: 1 }).toPlainDateTime();
  return Math.min(minute, toInstant(zone, midnight).epochMilliseconds);
}

const CORS = { 'access-control-allow-origin': '*', 'access-control-allow-methods': 'GET, HEAD, OPTIONS' };
const SAFE = { 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' };
const EMBED_HEADERS = {
  ...SAFE,
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy': EMBED_POLICY,
  'cache-control': 'no-cache',
};
const FEED_POLICY = { 'content-security-policy': "default-src 'none'; frame-ancestors 'none'" };

const policyFor = (path: string): Record<string, string> =>
  path.startsWith('/embed/') ? { 'content-security-policy': EMBED_POLICY } : FEED_POLICY;

const feedHeaders = (outlet: Outlet): Record<string, string> => ({
  ...SAFE,
  ...FEED_POLICY,
  ...CORS,
  'content-type': 'text/calendar; charset=utf-8',
  'content-disposition': `inline; filename="${readableName(outlet.name)}.ics"`,
  'cache-control': outlet.audience === 'personal' ? 'private, no-cache' : 'public, max-age=60',
});

const readableName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w -]/g, '')
    .trim()
    .replace(/ +/g, '-')
    .slice(0, 60) || 'calendar';

function unknown({ path, method }: OutletRequest): OutletAnswer {
  const embed = path.startsWith('/embed/');
  const body = Buffer.from(embed ? unknownPage() : `${embedTexts.unknownFeed}\n`);
  const headers = embed
    ? EMBED_HEADERS
    : {
        ...SAFE,
        ...FEED_POLICY,
        ...CORS,
        'content-type': 'text/plain; charset=utf-8',
        'cache-control': 'no-cache',
      };
  return {
    status: 404,
    headers: { ...headers, 'content-length': String(body.length) },
    body: method === 'HEAD' ? undefined : body,
  };
}

const compress = { gzip: promisify(gzip), br: promisify(brotliCompress) };

async function answerOf(
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
function conditional({ method, headers }: OutletRequest, answer: CachedAnswer): OutletAnswer {
  const coding = codingFor(headers['accept-encoding']);
  const etag = answer.etags[coding];
  const lastModified = new Date(answer.lastModifiedMs).toUTCString();
  const facts = { ...answer.headers, etag, 'last-modified': lastModified, vary: 'Accept-Encoding' };
  const noneMatch = headers['if-none-match'];
  const since = headers['if-modified-since'];
  const known = noneMatch
    ? noneMatch.split(',').some((tag) => ['*', etag].includes(tag.trim().replace(/^W\//, '')))
    : since !== undefined && Math.floor(answer.lastModifiedMs / 1000) * 1000 <= Date.parse(since);
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
