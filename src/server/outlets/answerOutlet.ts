import { Temporal } from 'temporal-polyfill';
import type { EntryId, FileId, MaterialId } from '@/core/ids';
import { entryId, fileId, materialId } from '@/core/ids';
import { coursesOf } from '@/core/entries/viewer';
import type { Viewer } from '@/core/entries/viewer';
import type { Outlet, PublishedOutlet } from '@/core/outlets/outlet';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { embedSnippet } from '@/core/outlets/snippet';
import { toInstant, toWall } from '@/core/time/zone';
import { jsonLd } from '@/core/outlets/jsonLd';
import { requireZone } from '@/core/time/zoneData';
import type { StampScope } from '@/data/history/stamps';
import { readStamps } from '@/data/history/stamps';
import { goneAddress, outletByTokenHash } from '@/data/outlets/outlets';
import type { Pembit } from '../pembit';
import { answerGuardian, answerGuardianFeed, isGuardianPath } from '../guardians/answerGuardian';
import { takeTries } from '../session/tries';
import { keptPerson } from '../people/keptPeople';
import { keptPlan } from '../plan/keptPlan';
import { codedAnswer, conditional, suffices } from './conditional';
import type { OutletAnswer, OutletRequest } from './conditional';
import { answerFile } from '../materials/answerFile';
import { isStored } from '../materials/fileStore';
import { countRead } from './countReads';
import type { EmbedContext } from './embed/embedContext';
import { askedBy, embedContext } from './embed/embedContext';
import { embedDocument } from './embed/embedDocument';
import { dayPage, entryPage, materialPage, ownPage, viewOf } from './embed/embedPages';
import { goneAnswer, tooManyMisses, sent } from './goneAnswer';
import { CORS, embedHeaders, feedHeaders, jsonHeaders, policyFor } from './headers';
import type { RememberedAnswer } from './outletCache';
import { createOutletCache } from './outletCache';
import { PREVIEW_PATH, previewOutlet } from './previewOutlet';
import { coursePage, ofSections, sectionChoices } from './coursePage';
import { openFiles, openedAt } from './openFiles';
import type { FeedForm } from './outletFile';
import { calledOffForLeft, leftBy } from '../people/left';
import { addressesOf, outletFile } from './outletFile';
import { doneTimesOf } from '@/data/students/students';
import { tokenHash } from './token';

const FEED = /^\/feeds\/([\w-]{43})(\.ics|\/work\.ics|\.ifb|\.atom)$/;
const FORMS: Readonly<Record<string, FeedForm>> = {
  '.ics': 'events',
  '/work.ics': 'work',
  '.ifb': 'freeBusy',
  '.atom': 'news',
};
const EMBED =
  /^\/embed\/([\w-]{43})(?:\/(?:e\/([0-9a-f-]{36})|day\/(\d{4}-\d{2}-\d{2})|(f|m)\/([0-9a-f-]{36})))?$/;
const OEMBED = '/embed/oembed.json';
/** No reader's choice is longer; beyond it the query is as if it were not there. */
const LONGEST_QUERY = 1000;

export const isOutletPath = (path: string): boolean =>
  path.startsWith('/feeds/') || path.startsWith('/embed/') || isGuardianPath(path);

type Wanted =
  | { kind: 'feed'; token: string; form: FeedForm }
  | {
      kind: 'embed';
      token: string;
      query: URLSearchParams;
      entry?: EntryId;
      date?: Temporal.PlainDate;
      material?: MaterialId;
    }
  | { kind: 'file'; token: string; file: FileId };

function wantedBy(path: string, query: string): Wanted | undefined {
  const feed = FEED.exec(path);
  if (feed) return { kind: 'feed', token: feed[1]!, form: FORMS[feed[2]!]! };
  const embed = EMBED.exec(path);
  if (!embed) return undefined;
  const [, token = '', entry, day, which, id] = embed;
  const file = which === 'f' ? id : undefined;
  if (file) return fileId.safeParse(file).success ? { kind: 'file', token, file: file as FileId } : undefined;
  const asked = { kind: 'embed', token, query: new URLSearchParams(query) } as const;
  if (which === 'm')
    return materialId.safeParse(id).success ? { ...asked, material: id as MaterialId } : undefined;
  if (entry) return entryId.safeParse(entry).success ? { ...asked, entry: entry as EntryId } : undefined;
  try {
    return { ...asked, date: day ? Temporal.PlainDate.from(day, { overflow: 'reject' }) : undefined };
  } catch {
    return undefined; // such as 30 February
  }
}

/** The pages and files of outlets: the one function that answers under /feeds/, /embed/ and /g/. */
export function createOutletAnswerer(pembit: Pembit): (request: OutletRequest) => Promise<OutletAnswer> {
  const cache = createOutletCache();

  const found = (request: OutletRequest, answer: RememberedAnswer, nowMs: number): OutletAnswer => {
    if (request.method === 'GET') countRead(pembit, answer.outlet, nowMs);
    return conditional(request, answer);
  };

  return async (request) => {
    if (request.method === 'OPTIONS') return { status: 204, headers: CORS };
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return { status: 405, headers: { allow: 'GET, HEAD, OPTIONS', ...policyFor(request.path) } };
    if (isGuardianPath(request.path)) return answerGuardian(pembit, request);
    if (request.path === OEMBED) return oembed(pembit, request);
    if (request.path === PREVIEW_PATH) return previewOutlet(pembit, request);
    const query = request.path.startsWith('/embed/') && request.query.length <= LONGEST_QUERY ? request.query : ''; // prettier-ignore
    const key = query ? `${request.path}?${query}` : request.path;
    const now = pembit.now();
    const nowMs = now.epochMilliseconds;
    // Taken before anything is read: a write that is committed meanwhile makes the answer outdated at once.
    const queueVersion = pembit.queue.version();
    const fresh = cache.fresh(key, queueVersion, nowMs);
    if (suffices(request, fresh)) return found(request, fresh, nowMs);

    const wanted = wantedBy(request.path, query);
    const hash = wanted && tokenHash(wanted.token);
    const outlet = hash === undefined ? undefined : await outletByTokenHash(pembit, hash);
    if (!wanted || !outlet || !serves(outlet, wanted)) {
      const guardians =
        !outlet && wanted?.kind === 'feed' && wanted.form === 'events'
          ? await answerGuardianFeed(pembit, request, wanted.token)
          : undefined;
      if (guardians) return guardians;
      // Right addresses are never held up by wrong ones: only these are counted.
      if ((await takeTries(pembit, [['token', request.from ?? '']])) > 0) return tooManyMisses(request);
      const gone = hash !== undefined && !outlet ? await goneAddress(pembit, hash) : undefined;
      return goneAnswer(request, hash, gone, nowMs);
    }
    const { viewer: owner } = await keptPerson(pembit, outlet.owner);
    const viewer = outletViewer(outlet, owner);
    if (wanted.kind === 'file') return answerFileOf(pembit, request, { outlet, viewer, file: wanted.file });
    const scopes: StampScope[] = coursesOf(viewer).map((course) => `course:${course}` as const);
    if (outlet.audience === 'personal') scopes.push(`person:${outlet.owner}`);
    const stamps = await readStamps(pembit, scopes);
    const version = `${outlet.id} ${outlet.generation} ${stamps.version} ${scopes.length}`;
    const kept = cache.get(key, version, queueVersion, nowMs);
    if (suffices(request, kept)) return found(request, kept, nowMs);
    const made = await build({ pembit, outlet, viewer, wanted, now, changedAtMs: stamps.changedAtMs });
    if (!made) return goneAnswer(request, undefined, undefined, nowMs);
    cache.set(key, version, queueVersion, made);
    return found(request, made, nowMs);
  };
}

/** A personal feed has no page; every other outlet is a file and a page under the same token. */
const serves = (outlet: Outlet, wanted: Wanted): boolean =>
  outlet.audience === 'personal'
    ? wanted.kind === 'feed'
    : outlet.kind === 'embed'
      ? wanted.kind !== 'feed'
      : true;

type Making = Readonly<{
  pembit: Pembit;
  outlet: Outlet;
  viewer: Viewer;
  wanted: Exclude<Wanted, { kind: 'file' }>;
  now: Temporal.Instant;
  changedAtMs: number;
}>;

async function build({ pembit, outlet, viewer, wanted, now, changedAtMs }: Making) {
  const author = outlet.audience === 'personal' ? outlet.owner : undefined;
  const plan = await keptPlan(pembit, coursesOf(viewer), author);
  const chosen =
    wanted.kind === 'embed' && outlet.audience !== 'personal'
      ? ofSections(viewer, askedBy(wanted.query, outlet.look.filters).sections)
      : viewer;
  const contents = outletContents(outlet, chosen, plan, now);
  const open = await openFiles(pembit, { outlet, viewer, contents });
  const { baseUrl } = pembit.config;
  const facts = {
    outlet: outlet.id,
    lastModified: new Date(
      Math.max(changedAtMs, contents.changedByTime?.epochMilliseconds ?? 0),
    ).toUTCString(),
    validUntilMs: contents.validUntil?.epochMilliseconds ?? Infinity,
  };
  if (wanted.kind === 'feed') {
    const left = author ? await leftBy(pembit, author) : [];
    const addresses = addressesOf(outlet, { token: wanted.token, baseUrl });
    return codedAnswer(
      outletFile(outlet, contents, {
        token: wanted.token,
        baseUrl,
        open,
        left: author ? await calledOffForLeft(pembit, { outlet, person: author, left, addresses }) : [],
        form: wanted.form,
        changedAtMs,
        ...(wanted.form === 'work' && author ? { done: await doneTimesOf(pembit, author) } : {}),
      }),
      {
        ...facts,
        validUntilMs: Math.min(facts.validUntilMs, ...left.map(({ until }) => until.epochMilliseconds)),
        headers: feedHeaders(outlet, wanted.form),
      },
    );
  }
  const { look, audience, name } = outlet as PublishedOutlet;
  const embed = `/embed/${wanted.token}`;
  const context = embedContext({ name, look }, contents, {
    asked: askedBy(wanted.query, look.filters),
    embed,
    signUp: `${baseUrl}/sign-up`,
    opened: openedAt(embed, open),
    about: await coursePage(pembit, outlet as PublishedOutlet, viewer),
    sections: sectionChoices(outlet as PublishedOutlet, plan),
    now,
  });
  const page = wanted.material
    ? materialPage(context, open, wanted.material)
    : wanted.entry
      ? entryPage(context, wanted.entry)
      : wanted.date
        ? dayPage(context, wanted.date)
        : ownPage(context, audience === 'public');
  if (!page) return undefined;
  const isOwn = !wanted.entry && !wanted.date && !wanted.material;
  const holds = isOwn ? viewOf(look.view).changes : 'day';
  const minute = holds === 'minute' ? now.epochMilliseconds + 60_000 : Infinity;
  const oembed = `${baseUrl}${OEMBED}?url=${encodeURIComponent(`${baseUrl}${embed}`)}`;
  const data = isOwn && audience === 'public' ? publicData(context) : undefined;
  const head = { title: context.title, look, locale: context.locale, oembed, data };
  return codedAnswer(embedDocument(head, page), {
    ...facts,
    validUntilMs: Math.min(facts.validUntilMs, minute, midnightMs(contents.plan.terms[0]?.tzid, now)),
    headers: embedHeaders(look.origins),
  });
}

const publicData = ({ contents, occurrences, today }: EmbedContext) =>
  jsonLd({ courses: contents.plan.courses, occurrences, today, zoneOf: requireZone });

/** An uploaded file that an outlet leads to now, under the outlet's own address. */
async function answerFileOf(
  pembit: Pembit,
  request: OutletRequest,
  { outlet, viewer, file: id }: Readonly<{ outlet: Outlet; viewer: Viewer; file: FileId }>,
): Promise<OutletAnswer> {
  const contents = outletContents(outlet, viewer, await keptPlan(pembit, coursesOf(viewer)), pembit.now());
  const file = (await openFiles(pembit, { outlet, viewer, contents })).files.get(id);
  if (!file || !(await isStored(pembit.config, file.hash)))
    return goneAnswer(request, undefined, undefined, pembit.now().epochMilliseconds);
  const asked = Object.entries(request.headers).flatMap(([name, value]) => (value === undefined ? [] : [[name, value]])); // prettier-ignore
  const answer = answerFile(pembit.config, file, new Headers(asked as [string, string][]));
  return {
    status: answer.status,
    headers: { ...Object.fromEntries(answer.headers), 'x-robots-tag': 'noindex' },
    stream: request.method === 'HEAD' ? undefined : (answer.body ?? undefined),
  };
}

function midnightMs(tzid: string | undefined, now: Temporal.Instant): number {
  const zone = requireZone(tzid ?? 'UTC');
  return toInstant(zone, toWall(zone, now).toPlainDate().add({ days: 1 }).toPlainDateTime())
    .epochMilliseconds;
}

/** The size of a frame within what somebody asks for at most; undefined where that is no size at all. */
function sizeAsked(most: string | null, usual: number): number | undefined {
  if (most === null) return usual;
  return /^\d{1,6}$/.test(most) && Number(most) >= 1 ? Math.min(usual, Number(most)) : undefined;
}

/** oEmbed 1.0: the frame for an embed's address, for editors that ask for it. */
async function oembed(pembit: Pembit, { query, method }: OutletRequest): Promise<OutletAnswer> {
  const asked = new URLSearchParams(query);
  if ((asked.get('format') ?? 'json') !== 'json') return sent(501, jsonHeaders, method, '{}');
  const { baseUrl } = pembit.config;
  const address = asked.get('url') ?? '';
  const wanted = address.startsWith(`${baseUrl}/`)
    ? wantedBy(address.slice(baseUrl.length).split('?')[0]!, '')
    : undefined;
  const outlet = wanted && (await outletByTokenHash(pembit, tokenHash(wanted.token)));
  if (!wanted || !outlet || outlet.audience === 'personal' || wanted.kind !== 'embed')
    return sent(404, jsonHeaders, method, '{}');
  const { look } = outlet;
  const [width, height] = [sizeAsked(asked.get('maxwidth'), 800), sizeAsked(asked.get('maxheight'), look.height)]; // prettier-ignore
  if (width === undefined || height === undefined) return sent(400, jsonHeaders, method, '{}');
  const title = look.title || outlet.name;
  const answer = {
    version: '1.0', type: 'rich', title, provider_name: 'Pembit', provider_url: baseUrl, cache_age: 3600, width, height,
    html: embedSnippet({ title, url: `${baseUrl}/embed/${wanted.token}`, height }),
  }; // prettier-ignore
  return sent(200, jsonHeaders, method, JSON.stringify(answer));
}
