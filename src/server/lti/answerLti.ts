import { parseCookie } from 'cookie';
import type { LaunchFault } from '@/core/lti/message';
import { isShownOnSites } from '@/core/lti/target';
import { platformById } from '@/data/lti/platforms';
import type { Pembit } from '../pembit';
import { safePath } from '../safePath';
import { signedInBy, siteCookieName } from '../session/session';
import { arrivalOf, arrive } from './arrive';
import { beginLaunch, launchKey, storageOf } from './beginLaunch';
import type { Finished } from './finishLaunch';
import { finishLaunch } from './finishLaunch';
import { publicKeys } from './ownKeys';
import type { Page } from './pages';
import { askPage, keepPage, refusalPage, registeredPage, tabPage } from './pages';
import { registerWith } from './platforms';
import { arrivalCookie, arrivalCookieName, launchCookie, launchCookieName, siteCookie } from './siteCookies';

export type LtiRequest = Readonly<{
  method: string;
  path: string;
  query: string;
  cookie: string;
  /** The fields of a posted form. */
  form: URLSearchParams;
  /** Whether a page of ours has sent it, as browsers say. */
  fromHere: boolean;
}>;

export type LtiAnswer = Readonly<{
  status: number;
  headers: Readonly<Record<string, string | readonly string[]>>;
  body: string;
}>;

const PATHS = /^\/lti\/(login|launch|opened|keys\.json|register\/[\w-]+)$/;

/** What sites and browsers on their way call; the pages that people see are Next's. */
export const isLtiPath = (path: string): boolean => PATHS.test(path);

const METHODS: Readonly<Record<string, readonly string[]>> = {
  login: ['GET', 'POST'],
  launch: ['GET', 'POST'],
  opened: ['GET'],
  'keys.json': ['GET', 'HEAD'],
  register: ['GET'],
};

const goTo = (location: string, cookies: readonly string[] = []): LtiAnswer => ({
  status: 303,
  headers: {
    location,
    'cache-control': 'no-store',
    ...(cookies.length > 0 ? { 'set-cookie': cookies } : {}),
  },
  body: '',
});

/** Says no, to whoever stands before it and in the log; nothing of a token stands there. */
function refuse({ log }: Pembit, fault: LaunchFault, about: Readonly<Record<string, string>> = {}): Page {
  log.warn({ fault, ...about }, 'A launch was refused');
  return refusalPage(fault);
}

export async function answerLti(pembit: Pembit, request: LtiRequest): Promise<LtiAnswer> {
  const what = request.path.split('/')[2]!;
  const methods = METHODS[what] ?? [];
  if (!methods.includes(request.method))
    return { status: 405, headers: { allow: methods.join(', '), 'content-type': 'text/plain; charset=utf-8' }, body: 'This address does not answer to that.' }; // prettier-ignore
  const given = request.method === 'POST' ? request.form : new URLSearchParams(request.query);
  switch (what) {
    case 'login':
      return login(pembit, given);
    case 'launch':
      return launch(pembit, request, given);
    case 'opened':
      return opened(pembit, request);
    case 'register':
      return registeredPage(await registerWith(pembit, request.path.split('/')[3]!, given));
    default:
      return {
        status: 200,
        headers: { 'content-type': 'application/json; charset=utf-8', 'cache-control': 'public, max-age=3600', 'x-content-type-options': 'nosniff' },
        body: JSON.stringify(await publicKeys(pembit)),
      }; // prettier-ignore
  }
}

async function login(pembit: Pembit, form: URLSearchParams): Promise<LtiAnswer> {
  const begins = await beginLaunch(pembit, form);
  if (!begins.ok) return refuse(pembit, begins.fault, { site: form.get('iss') ?? '' });
  const { url, key, browser, storage } = begins.begun;
  const cookie = launchCookie(pembit.config.baseUrl, key, browser);
  if (!storage) return goTo(url, [cookie]);
  const page = keepPage(begins.begun, [storage.origin]);
  return { ...page, headers: { ...page.headers, 'set-cookie': cookie } };
}

async function launch(pembit: Pembit, { cookie, method, fromHere }: LtiRequest, form: URLSearchParams): Promise<LtiAnswer> {
  const { baseUrl } = pembit.config;
  const jar = parseCookie(cookie);
  // What the site's own frame has kept comes by our page alone: another site could have somebody else's launch posted here.
  const stored = fromHere ? (form.get('stored') ?? undefined) : undefined;
  const [state, idToken] = method === 'POST' ? [form.get('state') ?? '', form.get('id_token') ?? ''] : ['', ''];
  const finished = await finishLaunch(pembit, {
    state,
    idToken,
    error: form.get('error') ?? undefined,
    keptOf: (nonce) => jar[launchCookieName(baseUrl, launchKey(nonce))] ?? stored,
  });
  if (!finished.ok)
    return finished.fault === 'otherBrowser'
      ? unknownBrowser(pembit, finished, { state, idToken })
      : refuse(pembit, finished.fault);
  const { platform, launch: said, state: begun } = finished;
  const arrived = await arrive(pembit, { platform, launch: said, again: begun.again });
  const key = launchKey(finished.state.nonce);
  const cookies = [
    launchCookie(baseUrl, key, ''),
    arrived.kind === 'in' ? siteCookie(baseUrl, arrived.session) : arrivalCookie(baseUrl, key, arrived.arrival),
  ];
  const to = arrived.kind === 'in' ? arrived.to : `/lti/join?arrival=${key}`;
  // What came without a cookie has yet to show that a session's comes.
  return goTo(stored === undefined ? to : openedPath(to, finished), cookies);
} // prettier-ignore

type Launched = Extract<Finished, { ok: true }>;
const openedPath = (to: string, { state, platform }: Launched) =>
  `/lti/opened?${new URLSearchParams({ to, site: platform.id, again: state.again ?? '' }).toString()}`;

/** The browser kept nothing for us, or something else: the site's own frame may have kept it, or it goes on in a tab. */
async function unknownBrowser(
  pembit: Pembit,
  { state, platform, kept }: Extract<Finished, { fault: 'otherBrowser' }>,
  sent: Readonly<{ state: string; idToken: string }>,
): Promise<LtiAnswer> {
  const about = { site: platform.issuer };
  if (kept) return refuse(pembit, 'otherBrowser', about);
  const storage = storageOf(state, platform);
  if (storage)
    return askPage({ ...sent, key: launchKey(state.nonce), storage, again: state.again }, platform.origins);
  pembit.log.warn({ fault: 'otherBrowser', ...about }, 'A launch came without what its browser kept: it goes on in a tab'); // prettier-ignore
  return tabPage(state.again, platform.origins);
}

/** After a launch without a cookie: on, where the session's comes; else a tab is offered. */
async function opened(pembit: Pembit, { query, cookie }: LtiRequest): Promise<LtiAnswer> {
  const asked = new URLSearchParams(query);
  const to = safePath(asked.get('to') ?? undefined);
  if ((await framingOrigins(pembit, cookie, to)).length > 0) return goTo(to);
  const platform = await platformById(pembit, asked.get('site') ?? '');
  const again = asked.get('again') || undefined;
  return tabPage(again && new URLSearchParams(again).toString(), platform?.origins ?? []);
}

/** Whose pages may show a path in a frame to whoever asks: those of the site that they were launched from. */
export async function framingOrigins(pembit: Pembit, cookie: string, path: string): Promise<readonly string[]> {
  const { baseUrl } = pembit.config;
  if (!cookie.includes(siteCookieName(baseUrl)) || !isShownOnSites(path)) return [];
  const jar = parseCookie(cookie);
  const session = await signedInBy(pembit, jar[siteCookieName(baseUrl)], { owing: true });
  if (session?.site) return session.site.origins;
  for (const [name, token] of Object.entries(jar)) {
    const arriving = name.startsWith(arrivalCookieName(baseUrl, '')) ? await arrivalOf(pembit, token ?? '') : undefined;
    if (arriving) return arriving.platform.origins;
  }
  return [];
} // prettier-ignore
